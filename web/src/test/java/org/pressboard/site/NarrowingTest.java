package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Mark;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Narrowing;
import org.pressboard.listing.Opening;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.Show;
import org.pressboard.listing.SortBy;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** A visitor finds rows by every control that an owner may choose, and sees rows marked. */
class NarrowingTest extends WithTables {

    private static final TableKey BARRELS = new TableKey("barrels");
    private static final TableKey SHEDS = new TableKey("sheds");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey USE = new FieldKey("use");
    private static final FieldKey LITRES = new FieldKey("litres");
    private static final FieldKey FILLED = new FieldKey("filled");
    private static final FieldKey SHED = new FieldKey("shed");
    private static final PageKey PAGE = new PageKey("barrels");
    private static final LocalDate TODAY = LocalDate.now();

    @BeforeEach
    void makeTheTables() {
        changes.make("Sheds", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(USE, "State", new Textual.Text()))), OWNER);
        editing.add(SHEDS, Map.of(NAME, Value.of("North"), USE, Value.of("dry")), OWNER);
        editing.add(SHEDS, Map.of(NAME, Value.of("South"), USE, Value.of("damp")), OWNER);
        changes.make("Barrels", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(USE, "Use", Chosen.Choice.of(List.of("Cider", "Juice", "Vinegar"))),
                new Field(LITRES, "Litres", new Numeric.WholeNumber(true)), new Field(FILLED, "Filled", new Temporal.Date()),
                new Field(SHED, "Shed", new Referring.Reference(SHEDS, Referring.OnRemoval.CLEAR)))), OWNER);
        List<String> names = List.of("Émile", "Ada", "Zoë", "adder", "Bee");
        for (int i = 0; i < 60; i++) {
            editing.add(BARRELS, Map.of(NAME, Value.of(i < names.size() ? names.get(i) : "Cask " + i),
                    USE, Value.of(i % 3 == 0 ? "Cider" : "Juice"), LITRES, Value.of(10L * (i + 1)),
                    FILLED, Value.of(TODAY.minusDays(10L * i)), SHED, new Value.Referred(new RowId(i % 2 + 1), "")), OWNER);
        }
    }

    @AfterEach
    void removeTheTables() {
        closePages();
        publisher.remove(BARRELS, SHEDS);
    }

    private static Listing listing(NarrowBy... controls) {
        Finding find = Finding.by(List.of(NAME), List.of(controls).stream().map(NarrowBy::field).toList());
        for (NarrowBy control : controls) {
            find = find.changing(control.field(), each -> control);
        }
        return Listing.plain(new ListingKey("barrels"), BARRELS, List.of(NAME, USE, LITRES, FILLED, SHED)).with(find)
                .with(Ordering.by(List.of(SortBy.up(LITRES))).paged(10));
    }

    private static NarrowBy by(FieldKey field, NarrowBy.ControlKind way) {
        return NarrowBy.usual(field).by(way, false, true);
    }

    private void publish(Listing listing) {
        publish(PAGE, "Barrels", listing, BARRELS, SHEDS);
    }

    private Page visit(String query) {
        Page page = desktop();
        page.navigate(address("/barrels" + query));
        waitForScripts(page);
        return page;
    }

    @Test
    void tagsTellHowManyRowsThereAreAndFollowTheOtherControls() {
        publish(listing(by(USE, NarrowBy.ControlKind.TAGS), by(SHED, NarrowBy.ControlKind.MENU)));
        Page page = visit("");
        Locator counts = page.locator(".bar-tags .pick-rows");
        assertThat(counts).hasText(new String[] {"20", "40", "0"});
        assertThat(page.locator(".bar-tags .pick-none")).hasText(Pattern.compile("Vinegar"));
        page.locator("summary").filter(new Locator.FilterOptions().setHasText("Shed")).click();
        assertThat(page.locator(".menu .pick-rows")).hasText(new String[] {"30", "30"});
        page.getByLabel("North").check();
        waitForCount(page, "1 to 10 of 30 found, 60 in all");
        assertThat(counts).hasText(new String[] {"10", "20", "0"});
        page.locator(".bar-tags").getByLabel("Cider").check();
        waitForCount(page, "1 to 10 of 10 found, 60 in all");
        assertThat(page).hasURL(address("/barrels?f.shed=1&f.use=Cider"));
        // what it is narrowed to itself says nothing of its own tags
        assertThat(counts).hasText(new String[] {"10", "20", "0"});
        assertThat(violations(page)).isEmpty();
        page.goBack();
        waitForCount(page, "1 to 10 of 30 found, 60 in all");
        assertThat(page.locator(".bar-tags").getByLabel("Cider")).not().isChecked();
    }

    @Test
    void oneAtATime() {
        publish(listing(NarrowBy.usual(USE).by(NarrowBy.ControlKind.TAGS, true, false)));
        Page page = visit("");
        page.locator(".bar-tags").getByLabel("Cider").check();
        waitForCount(page, "1 to 10 of 20 found, 60 in all");
        page.locator(".bar-tags").getByLabel("Juice").check();
        waitForCount(page, "1 to 10 of 40 found, 60 in all");
        page.locator(".bar-tags").getByLabel("All").check();
        waitForCount(page, "1 to 10 of 60");
        assertThat(page).hasURL(address("/barrels"));
    }

    @Test
    void barsShowWhatARangeWouldLeaveBeforeItIsPicked() {
        publish(listing(by(LITRES, NarrowBy.ControlKind.RANGE), by(FILLED, NarrowBy.ControlKind.RANGE)));
        Page page = visit("");
        page.locator("summary").filter(new Locator.FilterOptions().setHasText("Litres")).click();
        Locator control = page.locator(".menu[open]");
        assertThat(control.locator(".distribution rect[data-rows]").first()).isVisible();
        control.locator("[data-end=from]").pressSequentially("510");
        assertThat(control.locator(".distribution-said")).hasText("About 10 rows");
        assertThat(page.locator(".count-text")).hasText("1 to 10 of 60");
        control.locator("[data-end=from]").press("Enter");
        waitForCount(page, "1 to 10 of 10 found, 60 in all");
        // with the mouse a bar is picked whole
        page.locator("summary").filter(new Locator.FilterOptions().setHasText("Litres")).click();
        control.locator(".distribution-room[data-from='50']").click();
        waitForCount(page, "1 to 5 of 5 found, 60 in all");
        assertThat(page).hasURL(address("/barrels?f.litres.from=50&f.litres.to=99"));
        page.locator(".chip-clear").click();
        page.locator("summary").filter(new Locator.FilterOptions().setHasText("Filled")).click();
        link(page, "Last 30 days").click();
        waitForCount(page, "1 to 4 of 4 found, 60 in all");
        assertThat(page).hasURL(address("/barrels?f.filled.from=" + TODAY.minusDays(30) + "&f.filled.to=" + TODAY));
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void lettersOfTheAlphabetAndLettersTyped() {
        publish(listing(by(NAME, NarrowBy.ControlKind.LETTERS)));
        Page page = visit("");
        assertThat(page.locator(".pick-letters .pick-none").first()).isVisible();
        page.locator(".pick-letters").getByLabel("A", new Locator.GetByLabelOptions().setExact(true)).check();
        waitForCount(page, "1 to 2 of 2 found, 60 in all");
        assertThat(column(page, 0)).containsExactly("Ada", "adder");
        page.locator(".pick-letters").getByLabel("E", new Locator.GetByLabelOptions().setExact(true)).check();
        waitForCount(page, "1 to 1 of 1 found, 60 in all");
        assertThat(column(page, 0)).containsExactly("Émile");
        assertThat(page.locator(".chip").first()).hasText(Pattern.compile("Name\\s+begins with “e”"));
        publish(listing(by(NAME, NarrowBy.ControlKind.CONTAINS)));
        page.navigate(address("/barrels"));
        page.locator("summary").filter(new Locator.FilterOptions().setHasText("Name")).click();
        page.getByLabel("contains").fill("DD");
        page.keyboard().press("Enter");
        waitForCount(page, "1 to 1 of 1 found, 60 in all");
        assertThat(page).hasURL(address("/barrels?f.name.has=DD"));
    }

    @Test
    void aFormWithABoxForEachFieldBeforeWhichThereAreNoRows() {
        Listing boxes = listing(by(NAME, NarrowBy.ControlKind.BEGINS), by(LITRES, NarrowBy.ControlKind.AT_LEAST), by(USE, NarrowBy.ControlKind.MENU));
        publish(boxes.with(boxes.find().in(Finding.SearchForm.BOXES_FIRST)));
        for (Page page : List.of(desktop(), withoutScripts())) {
            page.navigate(address("/barrels"));
            assertThat(page.locator(".empty")).hasText("Enter above what you are looking for. The rows then appear here.");
            assertThat(page.locator("tbody tr")).hasCount(0);
            page.getByLabel("Name, begins with").fill("cask");
            page.getByLabel("Litres, at least").fill("550");
            page.getByLabel("Juice").check();
            button(page, "Search").click();
            waitForCount(page, "1 to 4 of 4 found, 60 in all");
            assertThat(column(page, 0)).containsExactly("Cask 55", "Cask 56", "Cask 58", "Cask 59");
            assertThat(page.getByLabel("Name, begins with")).hasValue("cask");
        }
        Page page = visit("");
        assertThat(violations(page)).isEmpty();
        assertThat(get("/barrels").body()).doesNotContain("Cask 55");
    }

    @Test
    void whatTheListBeginsWithCanBeTakenBack() {
        publish(listing(by(USE, NarrowBy.ControlKind.MENU).startingWith(Narrowing.toValues(List.of(Value.of("Cider"))))));
        Page page = visit("");
        waitForCount(page, "1 to 10 of 20 found, 60 in all");
        page.locator("summary").first().click();
        page.locator(".menu").getByLabel("Cider").uncheck();
        waitForCount(page, "1 to 10 of 60");
        assertThat(page).hasURL(address("/barrels?f.use="));
        page.locator(".menu").getByLabel("Juice").check();
        waitForCount(page, "1 to 10 of 40 found, 60 in all");
        page.locator(".chip-clear").click();
        waitForCount(page, "1 to 10 of 60");
        page.navigate(address("/barrels"));
        waitForCount(page, "1 to 10 of 20 found, 60 in all");
    }

    @Test
    void moreRowsComeUnderThoseThereAre() {
        Listing plain = listing();
        publish(plain.with(plain.ordering().adding(true).choosing(true)).with(Opening.NONE.by(Opening.How.PAGE)));
        Page page = visit("");
        assertThat(page.locator("tbody tr")).hasCount(10);
        link(page, "Show more").click();
        waitForCount(page, "1 to 20 of 60");
        assertThat(page.locator("tbody tr")).hasCount(20);
        assertThat(page).hasURL(address("/barrels?page=2"));
        // the way goes on to rows that are not there yet
        page.locator("a.opens").last().click();
        link(page, "Next").click();
        assertThat(page.locator("h1")).hasText("Cask 20");
        link(page, "Previous").click();
        assertThat(page.locator("h1")).hasText("Cask 19");
        page.navigate(address("/barrels"));
        page.locator(".sizes").getByText("50").click();
        waitForCount(page, "1 to 50 of 60");
        link(page, "Show more").click();
        waitForCount(page, "1 to 60 of 60");
        assertThat(link(page, "Show more")).hasCount(0);
        assertThat(get("/barrels?page=101").body()).contains("“101”").doesNotContain("Cask 59");
    }

    @Test
    void rowsAreMarkedAlsoByAFieldOfAnotherTable() {
        Condition damp = Condition.compare(SHED.through(USE), Operator.EQUALS, Value.of("damp"));
        Listing marked = listing().with(Dress.USUAL.marking(List.of(new Mark(damp, Mark.Style.WARNING, Mark.Colour.BRICK),
                new Mark(damp, Mark.Style.EDGE, Mark.Colour.BRICK), new Mark(Condition.compare(LITRES, Operator.LESS,
                        Value.of(30L)), Mark.Style.STRUCK, Mark.Colour.MOSS))));
        publish(marked);
        Page page = visit("");
        assertThat(page.locator("tbody tr.edge-brick")).hasCount(5);
        assertThat(page.locator("tbody tr.row-struck")).hasCount(2);
        assertThat(page.locator("tbody tr").nth(1).getByLabel("take care")).isVisible();
        assertThat(violations(page)).isEmpty();
        publish(marked.with(marked.show().in(LayoutKind.CARDS)));
        page.navigate(address("/barrels"));
        assertThat(page.locator(".card.edge-brick")).hasCount(5);
        assertThat(page.locator(".card.row-struck")).hasCount(2);
        assertThat(violations(page)).isEmpty();
        // a condition through a reference keeps rows too, as far as the visitor may see where it leads
        publish(listing().keeping(damp));
        page.navigate(address("/barrels"));
        waitForCount(page, "1 to 10 of 30");
        publisher.publish(PAGE, Map.of(SHEDS, Openness.NOBODY), null);
        page.navigate(address("/barrels"));
        assertThat(page.locator("tbody tr")).hasCount(0);
    }
}
