package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Rules;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** Rows with pictures and several rows of another table, filled in over their list. */
class FillingInSlipTest extends WithTables {

    private static final TableKey WALKS = new TableKey("walks");
    private static final TableKey GATES = new TableKey("gates");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey PICTURES = new FieldKey("pictures");
    private static final FieldKey THROUGH = new FieldKey("through");

    @BeforeEach
    void makeTheTables() {
        changes.make("Gates", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        Stream.of("Mill gate", "Orchard gate", "Hidden gate").forEach(name -> editing.add(GATES, Map.of(NAME, Value.of(name)),
                OWNER));
        publisher.grant(GATES, new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, Condition.compare(NAME,
                Operator.DIFFERS, Value.of("Hidden gate"))))));
        changes.make("Walks", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()).with(Rules.NONE.requiring(true)),
                new Field(PICTURES, "Pictures", new Attached.Pictures()),
                new Field(THROUGH, "Through", new Referring.References(GATES, Referring.OnRemoval.CLEAR)))), OWNER);
        publisher.grant(WALKS, new Grants(Verb.of(false).stream().map(verb -> new Grant(Audience.MEMBERS, verb,
                Condition.ALWAYS)).toList()));
        publish(new PageKey("walks"), "Walks", Listing.plain(new ListingKey("walks"), WALKS, List.of(NAME, THROUGH, PICTURES))
                .with(Changing.NOTHING.with(true, true, true).inSlip(true)));
    }

    @AfterEach
    void removeTheTables() {
        closePages();
        publisher.remove(WALKS);
        publisher.remove(GATES);
    }

    private Row row(long number) {
        return editing.find(WALKS, new RowId(number)).orElseThrow();
    }

    private List<String> names(FieldKey field) {
        return row(1).find(field).stream().flatMap(value -> value.each().stream()).map(value -> value instanceof Value.Attachment
                file ? file.name() : ((Value.Referred) value).heading()).toList();
    }

    @Test
    void aRowIsAddedAndChangedWithPicturesAndSeveralRows() throws IOException {
        Page page = signedIn("tomas@example.org");
        page.navigate(address("/walks"));
        waitForScripts(page);
        link(page, "Add a row").click();
        Locator slip = page.locator("dialog.row-slip");
        assertThat(slip.locator("h1")).hasText("Add to Walks");
        assertThat(page).hasURL(java.util.regex.Pattern.compile(".*/listings/walks/rows/add.*"));
        assertThat(violations(page)).isEmpty();
        slip.locator("input[type=file]").setInputFiles(new FilePayload[] {picture("one.png"), picture("two.png")});
        through(slip, "mill gate");
        through(slip, "No gate");
        button(page, "Add").click();
        assertThat(slip.locator(".control-problem")).hasText(new String[] {"Please fill this in.",
            "No row that you see is called “No gate”."});
        assertThat(slip.locator(".fill-files")).containsText("one.png");
        assertThat(slip.locator(".fill-rows")).containsText("Mill gate");
        assertThat(violations(page)).isEmpty();
        slip.getByLabel("Name").fill("Round the mill");
        slip.locator(".fill-rows [aria-invalid]").first().fill("Orchard gate");
        button(page, "Add").click();
        assertThat(slip).isHidden();
        assertThat(page.locator(".note-good")).containsText("Added.");
        assertThat(page).hasURL(address("/walks"));
        assertThat(column(page, 0)).containsExactly("Round the mill");
        assertThat(names(THROUGH)).containsExactly("Mill gate", "Orchard gate");
        assertThat(names(PICTURES)).containsExactly("one.png", "two.png");

        link(page, "Change").click();
        slip.getByLabel("one.png").uncheck();
        slip.getByLabel("Mill gate").uncheck();
        button(page, "Save").click();
        assertThat(page.locator(".note-good")).containsText("Changed.");
        assertThat(names(THROUGH)).containsExactly("Orchard gate");
        assertThat(names(PICTURES)).containsExactly("two.png");
        button(page, "Undo").click();
        assertThat(page.locator(".note-good")).containsText("Undone.");
        assertThat(names(PICTURES)).containsExactly("one.png", "two.png");

        link(page, "Change").click();
        slip.getByLabel("Name").fill("Given up");
        page.keyboard().press("Escape");
        assertThat(slip).isHidden();
        assertThat(page).hasURL(address("/walks"));
        link(page, "Change").click();
        link(page, "Remove").click();
        assertThat(slip.locator("h1")).hasText("Remove Round the mill?");
        button(page, "Remove").click();
        assertThat(page.locator(".table tbody tr")).hasCount(0);
        assertThat(page.locator(".note-good")).containsText("Removed.");
    }

    private static void through(Locator slip, String name) {
        Locator another = slip.locator(".fill-another");
        another.fill(name);
        another.dispatchEvent("change");
    }

    /** What they do not see they cannot have taken away, and are told nothing of it. */
    @Test
    void rowsThatSomebodyDoesNotSeeStay() {
        editing.add(WALKS, Map.of(NAME, Value.of("Long"), THROUGH, Value.Several.ofAll(Stream.of(1L, 3L).map(row ->
                java.util.Optional.of(new Value.Referred(new RowId(row), "")))).orElseThrow()), OWNER);
        Page page = withoutScripts();
        page.navigate(address("/sign-in?to=/walks"));
        signIn(page, "tomas@example.org");
        link(page, "Change").click();
        assertThat(page.locator("main")).containsText("Mill gate");
        assertThat(page.locator("main")).not().containsText("Hidden gate");
        page.getByLabel("Mill gate").uncheck();
        page.locator(".fill-another").fill("Orchard gate");
        button(page, "Save").click();
        assertThat(page.locator(".note-good")).containsText("Changed.");
        assertThat(names(THROUGH)).containsExactly("Orchard gate", "Hidden gate");

        link(page, "Change").click();
        editing.change(WALKS, new RowId(1), Map.of(THROUGH, row(1).find(THROUGH)), Map.of(THROUGH, Value.Several.ofAll(Stream.of(3L)
                .map(row -> java.util.Optional.of(new Value.Referred(new RowId(row), ""))))), OWNER);
        page.getByLabel("Orchard gate").uncheck();
        page.locator(".fill-another").fill("Mill gate");
        button(page, "Save").click();
        assertThat(page.locator("main")).containsText("Somebody else has changed this row");
        assertThat(page.locator("main")).not().containsText("Hidden gate");
    }

    /** A file is brought to a row that its bringer may change, as a file of theirs, and to no other. */
    @Test
    void filesAreTakenFromThoseWhoMayFillThemIn() {
        editing.add(WALKS, Map.of(NAME, Value.of("Long")), OWNER);
        publisher.grant(WALKS, new Grants(List.of(Grant.everyoneSeesAll())));
        Page page = signedIn("tomas@example.org");
        page.navigate(address("/walks"));
        String token = page.locator("input[name=_csrf]").first().inputValue();
        assertThat(page.request().post(address("/listings/walks/rows/1/change"), com.microsoft.playwright.options.RequestOptions
                .create().setMultipart(com.microsoft.playwright.options.FormData.create().set("_csrf", token)
                .set("was.pictures", "").set("file.pictures", new FilePayload("a.png", "image/png",
                        "x".getBytes(StandardCharsets.UTF_8))))).status()).isEqualTo(403);
        assertThat(names(PICTURES)).isEmpty();
    }
}
