package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.SelectOption;
import java.time.LocalDate;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Phrase;
import org.pressboard.condition.Standpoint;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.edition.PageKey;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** How people find rows, how rows come and how they are marked, as the bench lets it be said; and all by keys alone. */
class BenchControlsTest extends AtBench {

    private static final int MOST_KEYS = 400;

    @Test
    void eachFieldIsNarrowedByAControlOfItsOwn() {
        Page page = bench();
        open(page, "narrow");
        page.locator("#control-way-state").selectOption("TAGS");
        assertThat(proof(page).locator(".bar-tags .pick-rows")).hasText(new String[] {"2", "2", "2"});
        page.locator(".controls li").filter(new Locator.FilterOptions().setHasText("State"))
                .getByLabel("one at a time").check();
        assertThat(proof(page).locator(".bar-tags input[type=radio]")).hasCount(4);
        page.locator(".controls li").filter(new Locator.FilterOptions().setHasText("Year"))
                .getByLabel("with the distribution of the values").check();
        assertThat(proof(page).locator(".distribution")).hasCount(1);

        // what the list begins with is what the proof is narrowed to
        proof(page).locator(".bar-tags").getByLabel("Ripe").check();
        assertThat(proof(page).locator(".table tbody tr")).hasCount(2);
        page.locator("[data-panel=narrow]").getByText("Begin as the proof is now").click();
        assertThat(button(page, "Begin with all rows")).isVisible();
        page.reload();
        assertThat(proof(page).locator(".table tbody tr")).hasCount(2);
        open(page, "narrow");
        button(page, "Begin with all rows").click();
        assertThat(proof(page).locator(".table tbody tr")).hasCount(6);
        open(page, "form");
        page.getByLabel("in a form, before which there are no rows").check();
        assertThat(proof(page).locator(".boxes")).isVisible();
        assertThat(proof(page).locator(".table tbody tr")).hasCount(0);
        open(page, "steps");
        assertThat(page.locator(".steps li").first())
                .containsText("Visitors can: say what they look for in a form, before which there are no rows.");
        assertThat(page.locator(".steps li").nth(2)).containsText("Visitors can: begin filtered by State.");
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void rowsComeInPagesOrUnderEachOtherAndLeaveOnPaper() {
        Page page = bench();
        open(page, "size");
        page.locator("[data-panel=size]").getByLabel("10", new Locator.GetByLabelOptions().setExact(true)).check();
        open(page, "more");
        page.getByLabel("at first, more under them").check();
        says(page, "more", "at first, more under them");
        open(page, "choice");
        page.getByLabel("Visitors choose how many rows they see at once").check();
        says(page, "choice", "as visitors choose");
        open(page, "paper");
        page.locator("[data-panel=paper]").getByLabel("Letter").check();
        page.getByLabel("across, on its long side").check();
        says(page, "paper", "Letter across");
    }

    /** Not what others change meanwhile, nor the answer to another change, takes away what somebody is in the middle of. */
    @Test
    void whatIsBegunStaysWhateverIsAnsweredMeanwhile() {
        Page page = bench();
        open(page, "keep");
        choose(page, "#keep-new-field", "name");
        choose(page, "#keep-new-is", "CONTAINS");
        polled(page);
        button(page, "Add").click();
        assertThat(page.locator("[data-panel=keep] .note-warn")).containsText("Name");
        page.locator("#keep-new-value-0").fill("crate 1");
        drafts.change(new PageKey("crates"), "somebody else", draft -> draft.titled("Boxes"));
        polled(page);
        polled(page);
        assertThat(page.locator("#keep-new-value-0")).hasValue("crate 1");
        open(page, "size");
        page.locator("[data-panel=size]").getByLabel("10", new Locator.GetByLabelOptions().setExact(true)).check();
        says(page, "size", "10 rows");
        open(page, "keep");
        assertThat(page.locator("#keep-new-field")).hasValue("name");
        assertThat(page.locator("#keep-new-value-0")).hasValue("crate 1");
        button(page, "Add").click();
        says(page, "keep", "those where Name contains “crate 1”");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(1);
        assertThat(page.locator("#keep-new-field")).hasValue("");
    }

    private static void polled(Page page) {
        page.waitForResponse(answer -> answer.url().contains("/ticket?mark="), () -> { });
    }

    @Test
    void peopleMayChangeWhatTheTicketSays() {
        Page page = bench();
        says(page, "changing", "nobody changes rows here");
        open(page, "changing");
        page.locator("[data-panel=changing]").getByLabel("add rows").check();
        says(page, "changing", "add rows");
        page.locator("[data-panel=changing]").getByLabel("remove rows").check();
        says(page, "changing", "add and remove rows");
        open(page, "filling");
        for (String other : List.of("name", "year", "day")) {
            page.locator("[data-panel=filling] [name=field][value=" + other + "]").uncheck();
        }
        says(page, "filling", "State");
        says(page, "in-slip", "on a page");
        open(page, "in-slip");
        page.locator("[data-panel=in-slip] input[type=checkbox]").check();
        says(page, "in-slip", "in a slip");
        open(page, "steps");
        assertThat(page.locator(".steps li").first()).containsText("Change: forms are laid over the list.");
        assertThat(page.locator(".steps li").nth(1)).containsText("Change: they fill in State.");
        assertThat(page.locator(".steps")).containsText("Change: visitors can remove rows.");
    }

    @Test
    void aButtonGivesAFieldAValue() {
        Page page = bench();
        open(page, "buttons");
        page.locator("#deed-text-state").selectOption("Eaten");
        page.locator("#deed-label-state").fill("Eat \"it\" & so");
        page.locator("#deed-label-state").press("Enter");
        says(page, "buttons", "“Eat \"it\" & so”");
        page.reload();
        open(page, "buttons");
        assertThat(page.locator("[data-panel=buttons]")).containsText("Eat \"it\" & so sets State to “Eaten” remove");
        assertThat(proof(page).getByText("Eat \"it\" & so", new com.microsoft.playwright.FrameLocator.GetByTextOptions().setExact(true)))
                .hasCount(4);
        page.locator("[data-panel=buttons]").getByText("remove").click();
        says(page, "buttons", "no buttons");
    }

    @Test
    void rowsOfWhichSomethingIsSoAreMarked() {
        Page page = bench();
        open(page, "marks");
        page.locator("#mark-new-field").selectOption("state");
        page.locator("#mark-new-value-0").selectOption("Ripe");
        page.locator("#mark-style-new").selectOption("STRUCK");
        button(page, "Mark them").click();
        assertThat(proof(page).locator("tr.row-struck")).hasCount(2);
        assertThat(page.locator("[data-panel=marks] .keep-lines b")).hasText("State is Ripe");
        page.locator("#mark-style-0").selectOption("EDGE");
        page.locator("#mark-colour-0").selectOption("BRICK");
        assertThat(proof(page).locator("tr.edge-brick")).hasCount(2);
        says(page, "marks", "rows marked in 1 case");
        page.getByLabel("Remove the mark").click();
        assertThat(proof(page).locator("tr.edge-brick")).hasCount(0);
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void onAnOpenedRowIsWhatTheListShowsOrWhatIsTicked() {
        Page page = bench();
        open(page, "open");
        page.locator("[data-panel=open]").getByText("a page of its own").click();
        says(page, "opened", "what the list shows");
        open(page, "opened");
        Locator ticks = page.locator("[data-panel=opened] [type=checkbox]:checked");
        assertThat(ticks).hasCount(4);
        for (int left = 3; left > 0; left--) {
            ticks.first().uncheck();
            assertThat(ticks).hasCount(left);
        }
        says(page, "opened", "1 field");
        ticks.first().click();
        assertThat(page.locator(".ticket .note-warn").first()).hasText("On an opened row is at least one field.");
        says(page, "opened", "1 field");
        assertThat(ticks).hasCount(1);
        button(page, "What the list shows, as it shows it").click();
        says(page, "opened", "what the list shows");
        assertThat(ticks).hasCount(4);
        forgiveConsole("422");
    }

    @Test
    void rowsAreKeptByFieldsOfOtherTablesAndByThePage() {
        changes.make("Racks", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        TableKey racks = new TableKey("racks");
        editing.add(racks, Map.of(NAME, Value.of("Attic")), OWNER);
        TableKey crates = new TableKey("crates");
        FieldKey rack = new FieldKey("rack");
        changes.addField(crates, new Field(rack, "Rack", new Referring.Reference(racks, Referring.OnRemoval.CLEAR)), OWNER);
        editing.add(crates, Map.of(NAME, Value.of("Crates"), rack, new Value.Referred(new RowId(1), "")), OWNER);
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        page.locator(".make-table [name=table]").selectOption("crates");
        button(page, "Add").click();
        open(page, "keep");
        choose(page, "#keep-new-field", "rack.name");
        page.locator("#keep-new-value-0").fill("Attic");
        button(page, "Add").click();
        says(page, "keep", "those where Rack: Name is Attic");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(1);
        assertThat(page.locator(".sieve")).containsText(
                "Not kept: Crate 1, Crate 2, Crate 3, Crate 4, Crate 5, Crate 6");
        page.getByLabel("Remove it").click();
        says(page, "keep", "all of them");
        choose(page, "#keep-new-field", "name");
        choose(page, "#keep-new-value-0-with", "page");
        button(page, "Add").click();
        says(page, "keep", "those where Name is the page’s title");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(1);
        closePages();
        publisher.remove(crates, racks);
    }

    /** With each, the proof has as many rows as the core keeps of the same. */
    @Test
    void everyComparisonOfEveryKindKeepsWhatItSays() {
        Page page = bench();
        open(page, "keep");
        for (String field : List.of("name", "state", "day", "year")) {
            choose(page, "#keep-new-field", field);
            List<String> offered = page.locator("#keep-new-is option").all().stream()
                    .map(option -> option.getAttribute("value")).toList();
            assertThat(offered).hasSizeGreaterThan(4);
            for (String is : offered) {
                choose(page, "#keep-new-field", field);
                choose(page, "#keep-new-is", is);
                enter(page);
                button(page, "Add").click();
                // said is what was wrong with it, where it did not come in
                assertThat(page.locator(".ticket .keep-lines button, .ticket .note-warn").first())
                        .hasText("remove", new LocatorAssertions.HasTextOptions().setTimeout(10_000));
                Condition keep = catalog.page(new PageKey("crates")).orElseThrow().draft().listings().getFirst().keep();
                assertThat(proof(page).locator(".table tbody tr")).hasCount((int) rows().stream()
                        .filter(row -> keep.holds(row, Standpoint.of(Onlooker.NOBODY, LocalDate.now()).on(new Standpoint.OnPage("Crates", "crates"))))
                        .count());
                page.getByLabel("Remove it").click();
                says(page, "keep", "all of them");
            }
        }
    }

    /** What a field is compared with besides values: each that is offered for it keeps what it says, also as an end of a span. */
    @Test
    void everyOperandKeepsWhatItSays() {
        Page page = bench();
        open(page, "keep");
        for (String field : List.of("name", "day")) {
            String is = field.equals("day") ? "BETWEEN" : "IS_NOT";
            choose(page, "#keep-new-field", field);
            List<String> offered = page.locator("#keep-new-value-0-with option").all().stream().map(option -> option.getAttribute("value")).toList();
            assertThat(offered).hasSizeGreaterThan(3);
            for (String with : offered) {
                choose(page, "#keep-new-field", field);
                choose(page, "#keep-new-is", is);
                choose(page, "#keep-new-value-0-with", with);
                enter(page);
                button(page, "Add").click();
                assertThat(page.locator(".ticket .keep-lines button, .ticket .note-warn").first())
                        .hasText("remove", new LocatorAssertions.HasTextOptions().setTimeout(10_000));
                Condition keep = catalog.page(new PageKey("crates")).orElseThrow().draft().listings().getFirst().keep();
                Operand first = ((Phrase.Statement) Phrase.read(keep).phrases().getFirst()).clause().operands().getFirst();
                assertThat(OperandChoices.code(first)).isEqualTo(with);
                assertThat(proof(page).locator(".table tbody tr")).hasCount((int) rows().stream()
                        .filter(row -> keep.holds(row, Standpoint.of(Onlooker.NOBODY, LocalDate.now()).on(new Standpoint.OnPage("Crates", "crates"))))
                        .count());
                page.getByLabel("Remove it").click();
                says(page, "keep", "all of them");
            }
        }
    }

    /** What can be said of it comes with the choice, and the inputs with that. */
    private static void choose(Page page, String select, String value) {
        page.evaluate("document.querySelector('#keep-new-is')?.setAttribute('data-old', '')");
        page.locator(select).selectOption(value);
        assertThat(page.locator("#keep-new-is:not([data-old])")).isVisible();
    }

    private static void enter(Page page) {
        Locator values = page.locator("#keep-new [name=value]:not([type=hidden])");
        for (int i = 0; i < values.count(); i++) {
            Locator value = values.nth(i);
            String type = String.valueOf(value.evaluate("it => it.type"));
            switch (type) {
                case "select-one" -> value.selectOption(new SelectOption().setIndex(1));
                case "checkbox" -> value.setChecked(i < 2);
                case "date" -> value.fill("2024-03-1" + (1 + i));
                case "number" -> value.fill("3");
                default -> value.fill("decimal".equals(value.getAttribute("inputmode")) ? "202" + (1 + i) : "Crate 4");
            }
        }
    }

    /** Every word of the ticket is reached, opened, entered and closed without a mouse. */
    @Test
    void theWholeTicketByKeysAlone() {
        Page page = bench();
        open(page, "layout");
        page.getByLabel("cards", new Page.GetByLabelOptions().setExact(true)).check();
        page.keyboard().press("Escape");
        open(page, "open");
        page.getByLabel("a page of its own").check();
        assertThat(page.locator("[data-opens=opened]")).isVisible();
        page.keyboard().press("Escape");
        page.locator("h1").click();
        Set<String> words = new LinkedHashSet<>();
        page.locator(".ticket .word:visible").all().forEach(word -> words.add(word.getAttribute("data-opens")));
        Set<String> reached = new LinkedHashSet<>();
        for (int i = 0; i < MOST_KEYS && !reached.containsAll(words); i++) {
            page.keyboard().press("Tab");
            String word = String.valueOf(page.evaluate("document.activeElement.dataset.opens ?? ''"));
            if (!word.isEmpty() && reached.add(word)) {
                page.keyboard().press("Enter");
                assertThat(page.locator("[data-panel='" + word + "']")).isVisible();
                page.keyboard().press("Escape");
                assertThat(page.locator("[data-panel='" + word + "']")).isHidden();
                assertThat(page.locator("[data-opens='" + word + "']")).isFocused();
            }
        }
        assertThat(reached).containsAll(words);
        assertThat(words).hasSizeGreaterThan(25);
    }
}
