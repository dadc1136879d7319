package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.PageKey;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;

/** What an owner makes who begins with nothing: tables, forms, and buttons, each with what belongs to it. */
class FromNothingTest extends AtBench {

    @Test
    void aTableHasAPageThatItsFieldsJoinAndIsPublishedFromItsTicket() {
        TableKey ladders = new TableKey("ladders");
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/tables"));
        page.locator(".make-table [name=label]").fill("Ladders");
        button(page, "Add").click();
        addField(page, "DATE", "Lent on");
        assertThat(draft("ladders").listings().getFirst().shown()).extracting(FieldKey::name).containsExactly("name", "lent_on");
        page.navigate(address("/desk/pages/ladders/ladders"));
        assertThat(page.locator(".publish-line")).containsText("Not published");
        page.getByLabel("Everyone").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good")).containsText("Edition 1 is published at /ladders. Everyone sees the rows of Ladders.");
        assertThat(page.locator(".publish-line")).containsText("Published, edition 1");
        assertThat(button(page, "Publish again")).isDisabled();
        assertThat(violations(page)).isEmpty();
        assertThat(get("/ladders").statusCode()).isEqualTo(200);

        // what visitors get already is not changed by itself
        page.navigate(address("/desk/tables/ladders/fields"));
        addField(page, "MONEY", "Cost");
        assertThat(draft("ladders").listings().getFirst().shown()).hasSize(2);
        button(page, "Ladders, /ladders").click();
        assertThat(page.locator(".note-good")).containsText("Cost is in the list of Ladders now. Visitors get it when that page is published.");
        assertThat(draft("ladders").listings().getFirst().shown()).hasSize(3);

        page.navigate(address("/desk/tables/ladders/access"));
        button(page, "Each sees and changes only their own").click();
        assertThat(page.locator("select[name=value]").first()).hasValue("member");
        assertThat(catalog.table(ladders).orElseThrow().owner()).isEqualTo(new FieldKey("member"));
        publisher.remove(ladders);
    }

    private org.pressboard.edition.Page draft(String page) {
        return catalog.draft(new PageKey(page)).orElseThrow();
    }

    private static void addField(Page page, String kind, String label) {
        page.locator(".add-field [name=kind]").selectOption(kind);
        button(page, "Go on").click();
        page.locator(".slip [name=label]").fill(label);
        button(page, "Add").click();
        assertThat(page.locator(".note-good").first()).containsText(label);
    }

    @Test
    void aFormMakesItsTableAndItsQuestionsTheFields() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/forms"));
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).fill("Plant swap");
        button(page, "Add a form").click();
        waitForScripts(page);
        open(page, "ask");
        page.locator("#question-label").fill("How many");
        page.locator("#question-kind").selectOption("CHOICE");
        page.locator("#question-options-CHOICE").fill("1, 2, more");
        button(page, "Add the question").click();
        assertThat(page.locator("[data-opens=ask]")).hasText("2 questions");
        page.locator("#question-label").fill("How many");
        button(page, "Add the question").click();
        assertThat(page.locator("#ticket [role=alert]")).containsText("There is a field called “How many” already.");
        button(page, "can from now on").click();
        page.getByLabel("Nobody yet").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good").first()).containsText("published at /plant-swap");
        Page anybody = desktop();
        anybody.navigate(address("/plant-swap"));
        anybody.getByLabel("Name").fill("Willow");
        anybody.getByLabel("How many").selectOption("more");
        button(anybody, "Send").click();
        assertThat(anybody.locator(".note-good")).isVisible();
        page.navigate(address("/desk/pages/plant-swap"));
        assertThat(page.locator(".proof .table tbody tr")).containsText("Willow");
        publisher.remove(new TableKey("plant_swap"));
    }

    @Test
    void aButtonThatReservesARowIsMadeInThreeActions() {
        Page page = bench();
        open(page, "buttons"); // 1
        page.locator("#about-label").fill("Reserve"); // 2
        button(page, "Add the button").click(); // 3
        assertThat(proof(page).locator("tbody tr").first()).containsText("Reserve");
        assertThat(catalog.table(new TableKey("reserve")).orElseThrow().fields().all()).hasSize(3);
        assertThat(violations(page)).isEmpty();
        publisher.remove(new TableKey("reserve"));
    }

    @Test
    void rowsOfTheSameTitleAreOfferedOneThatTellsThemApart() {
        editing.add(new TableKey("crates"), Map.of(NAME, org.pressboard.value.Value.of("Crate 1"), YEAR,
                org.pressboard.value.Value.of(2030)), OWNER);
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/tables/crates/fields"));
        assertThat(page.locator("main")).containsText("2 rows have the same title, “Crate 1”, because the title is Name alone.");
        button(page, "Compose it of Name + Year").click();
        assertThat(page.locator("[name=heading]")).hasValue("name_year");
        page.navigate(address("/desk/tables/crates"));
        assertThat(page.locator("main")).containsText("Crate 1 2030");
    }

    @Test
    void partsOfComposedTextAreApartAndChoosingOneShowsInNoOther() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/tables/crates/fields/new?kind=COMPOSED"));
        page.locator(".slip [name=label]").fill("Whole");
        page.locator(".slip [name=partField]").first().selectOption("name");
        assertThat(page.locator(".samples dd").first()).hasText("Crate 1");
        page.locator(".slip [name=partField]").nth(1).selectOption("year");
        assertThat(page.locator(".samples dd").first()).hasText("Crate 1 2019");
        Locator fields = page.locator(".slip [name=partField]");
        assertThat(fields.nth(1)).hasValue("");
        assertThat(fields.nth(2)).hasValue("year");
        assertThat(fields.nth(3)).hasValue("");
    }

    @Test
    void aZipWithRowsAndTheirPicturesIsTakenAsBoth() throws IOException {
        String drawing = "<svg xmlns=\"http://www.w3.org/2000/svg\"><path d=\"M0 0\"/></svg>";
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> each : Map.of("sheds.csv", "Shed,Photo\nNorth,north.svg\nSouth,south.svg\n", "photos/north.svg",
                    drawing, "photos/South.svg", drawing + " ").entrySet()) {
                zip.putNextEntry(new ZipEntry(each.getKey()));
                zip.write(each.getValue().getBytes(StandardCharsets.UTF_8));
            }
        }
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        page.locator("input[type=file]").setInputFiles(new FilePayload("sheds.zip", "application/zip", bytes.toByteArray()));
        page.waitForURL(Pattern.compile(".*/desk/intake/.*"));
        assertThat(page.locator("[name='reading.1']")).hasValue("PICTURE");
        assertThat(page.locator("#intake-zip")).containsText("2 files of the zip are kept.");
        // the place for a zip comes and goes with what is named
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/sheds.*"));
        assertThat(page.locator(".table td.picture img")).hasCount(2);
        publisher.remove(new TableKey("sheds"));
    }

    @Test
    void thePlaceForPicturesIsThereOnceAColumnNamesThem() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        page.locator("input[type=file]").setInputFiles(new FilePayload("carts.csv", "text/csv",
                "Cart,Image\nRed,red.png\nBlue,blue.png\n".getBytes(StandardCharsets.UTF_8)));
        page.waitForURL(Pattern.compile(".*/desk/intake/.*"));
        assertThat(page.locator("#intake-zip form")).hasCount(0);
        page.locator("[name='reading.1']").selectOption("PICTURE");
        assertThat(page.locator("#intake-zip form")).isVisible();
        page.locator("[name='reading.1']").selectOption("TEXT");
        assertThat(page.locator("#intake-zip form")).hasCount(0);
        button(page, "Discard the file").click();
    }
}
