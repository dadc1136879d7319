package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Catalog;
import org.pressboard.history.Author;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.site.InBrowser;
import org.pressboard.table.FieldType;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;

/** The owner makes a table from nothing, gives it fields and rows, and takes back what was wrong. */
class TablesByHandTest extends InBrowser {

    private static final String TABLE = "/desk/tables/hives";

    @Autowired
    private Catalog catalog;

    @Autowired
    private Publisher publisher;

    @Autowired
    private TableChanges changes;

    @AfterEach
    void removeTheTable() {
        closePages();
        catalog.tables().all().stream().filter(table -> table.key().name().equals("hives"))
                .forEach(table -> publisher.remove(table.key()));
    }

    private Page hives() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/tables"));
        page.locator(".make-table [name=label]").fill("Hives");
        button(page, "Add").click();
        assertThat(page.locator("h1")).hasText("Hives");
        return page;
    }

    private void addField(Page page, String kind, String label) {
        page.navigate(address(TABLE + "/fields/new?kind=" + kind));
        page.locator(".slip [name=label]").fill(label);
        if (page.locator(".slip [name=to]").count() > 0) {
            page.locator(".slip [name=to]").selectOption("varieties");
        }
        if (page.locator(".slip [name=option]").count() > 0) {
            page.locator(".slip [name=option]").first().fill("Strong");
            page.locator(".slip [name=colour]").first().selectOption("MOSS");
        }
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).containsText(label + " is saved");
    }

    private void addRow(Page page, Map<String, String> values) {
        page.navigate(address(TABLE + "/rows/new"));
        values.forEach((field, value) -> page.locator(".slip [name='v." + field + "']").fill(value));
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).containsText("The row is added.");
    }

    /** A kind, what does not fit it, what does, how that is written, and what is said of what does not. */
    private record Kind(String key, FieldType type, String wrong, String right, String written, String said) {
    }

    private static final List<Kind> KINDS = List.of(
            new Kind("whole", new Numeric.WholeNumber(true), "12.5", "1,234", "1,234", "whole number"),
            new Kind("decimal", new Numeric.Decimal(2), "blah", "1,234.5", "1,234.5", "is not a number"),
            new Kind("money", new Numeric.Money("EUR"), "1.234", "1,200.5", "€1,200.50", "amount"),
            new Kind("percent", new Numeric.Percent(1), "half", "12.5 %", "12.5%", "percentage"),
            new Kind("date", new Temporal.Date(), "31.2.2024", "2024-03-09", "9 Mar 2024", "not a date. Write"),
            new Kind("moment", new Temporal.DateTime(), "yesterday", "2024-03-09T14:30", "9 Mar 2024, 14:30",
                    "date and time"),
            new Kind("time", new Temporal.TimeOfDay(), "25:00", "07:45", "07:45", "time of day"),
            new Kind("email", new Textual.Email(), "nobody", "a@example.org", "a@example.org", "e-mail"),
            new Kind("link", new Textual.Link(), "ftp://example.org", "https://example.org/x", "example.org/x", "http"),
            new Kind("phone", new Textual.Phone(), "ring me", "+44 1632 960001", "+44 1632 960001", "phone number"));

    @Test
    void wrongValuesKeepWhatWasTypedAndStoreNothing() {
        List<Field> fields = new ArrayList<>(List.of(new Field(new FieldKey("name"), "Name", new Textual.Text())));
        KINDS.forEach(kind -> fields.add(new Field(new FieldKey(kind.key), kind.key, kind.type)));
        changes.make("Hives", new Fields(fields), new Author(null, "owner@example.org", Author.Origin.DESK));
        Page page = signedIn("owner@example.org");
        page.navigate(address(TABLE + "/rows/new"));
        page.locator(".slip [name='v.name']").fill("Stays as typed");
        KINDS.forEach(kind -> page.locator(".slip [name='v." + kind.key + "']")
                .evaluate("(input, text) => { input.type = 'text'; input.value = text; }", kind.wrong));
        button(page, "Add").click();
        for (Kind kind : KINDS) {
            assertThat(page.locator(".control-problem").filter(new Locator.FilterOptions().setHasText(kind.said)))
                    .isVisible();
            assertThat(page.locator(".slip [name='v." + kind.key + "']")).hasValue(kind.wrong);
        }
        assertThat(page.locator(".slip [name='v.name']")).hasValue("Stays as typed");
        assertThat(page.locator(".count-text")).hasText("No rows");
        KINDS.forEach(kind -> page.locator(".slip [name='v." + kind.key + "']").fill(kind.right));
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).containsText("The row is added.");
        for (Kind kind : KINDS) {
            assertThat(column(page, 2 + KINDS.indexOf(kind))).containsExactly(kind.written);
        }
        link(page, "Stays as typed").click();
        KINDS.forEach(kind -> page.locator(".slip [name='v." + kind.key + "']").fill(""));
        button(page, "Save").click();
        assertThat(page.locator(".note-good")).containsText("The row is changed.");
        assertThat(column(page, 2)).containsExactly("–");
        assertThat(column(page, 11)).containsExactly("–");
        button(page, "Undo").click();
        assertThat(page.locator(".note-good")).containsText("Undone.");
        assertThat(column(page, 11)).containsExactly(KINDS.getLast().written);
    }

    @Test
    void aChoiceTakesANewOptionInPassingAndAReferenceIsPickedByName() {
        Page page = hives();
        addField(page, "CHOICE", "State");
        addField(page, "REFERENCE", "Beside");
        page.navigate(address(TABLE + "/rows/new"));
        page.locator(".slip [name='v.name']").fill("North");
        page.locator(".slip [name='new.state']").fill("Weak");
        page.locator(".slip [role=combobox]").pressSequentially("hollin cod");
        page.locator(".found [role=option]").filter(new Locator.FilterOptions().setHasText("Hollin Codlin")).click();
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).containsText("The row is added.");
        assertThat(column(page, 2)).containsExactly("Weak");
        assertThat(column(page, 3)).containsExactly("Hollin Codlin");
        page.navigate(address("/desk/tables/varieties?q=Hollin+Codlin"));
        link(page, "Hollin Codlin").click();
        assertThat(page.locator(".slip")).containsText("1 in Hives, by Beside");
        button(page, "Remove this row").click();
        assertThat(page.locator(".note-warn")).containsText("still referred to");
    }

    @Test
    void severalRowsArePickedByNameAndTakenOut() {
        Page page = hives();
        addField(page, "REFERENCES", "Beside");
        page.navigate(address(TABLE + "/rows/new"));
        page.locator(".slip [name='v.name']").fill("North");
        for (String[] each : new String[][] {{"hollin cod", "Hollin Codlin"}, {"asby", "Åsby Gravling"}}) {
            page.locator(".slip [role=combobox]").pressSequentially(each[0]);
            page.locator(".found [role=option]").filter(new Locator.FilterOptions().setHasText(each[1])).click();
        }
        assertThat(page.locator(".picked-rows li")).hasCount(2);
        assertThat(violations(page)).isEmpty();
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).containsText("The row is added.");
        assertThat(column(page, 2)).containsExactly("Hollin Codlin, Åsby Gravling");
        page.navigate(address(TABLE + "?q=asby"));
        assertThat(column(page, 1)).containsExactly("North");
        link(page, "North").click();
        page.getByLabel("Remove Hollin Codlin").click();
        button(page, "Save").click();
        assertThat(page.locator(".note-good")).containsText("The row is changed.");
        page.navigate(address(TABLE));
        assertThat(column(page, 2)).containsExactly("Åsby Gravling");
        page.navigate(address("/desk/tables/varieties?q=asby"));
        link(page, "Åsby Gravling").click();
        assertThat(page.locator(".slip")).containsText("1 in Hives, by Beside");
        link(page, "1 in Hives, by Beside").click();
        waitForCount(page, "1 to 1 of 1 found, 1 in all");
        assertThat(column(page, 1)).containsExactly("North");
        page.navigate(address(TABLE + "/history"));
        button(page, "Undo").first().click();
        assertThat(page.locator(".note-good")).containsText("Undone.");
        page.navigate(address(TABLE));
        assertThat(column(page, 2)).containsExactly("Hollin Codlin, Åsby Gravling");
    }

    @Test
    void fieldsAreMovedByKeysAndEachChangeIsTakenBack() {
        Page page = hives();
        addField(page, "DATE", "Set up");
        page.navigate(address(TABLE + "/fields"));
        Locator handle = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Move Set up:"));
        handle.focus();
        page.keyboard().press("Space");
        page.keyboard().press("ArrowUp");
        page.keyboard().press("Space");
        assertThat(page.locator(".note-good")).containsText("new order");
        assertThat(page.locator(".field-line .strong-link")).hasText(new String[] {"Set up", "Name"});
        button(page, "Undo").click();
        assertThat(page.locator(".field-line .strong-link")).hasText(new String[] {"Name", "Set up"});
    }

    @Test
    void anotherKindIsLookedAtFirstAndAFieldWithValuesAsksForItsName() {
        Page page = hives();
        addField(page, "TEXT", "Frames");
        addRow(page, Map.of("name", "North", "frames", "11"));
        addRow(page, Map.of("name", "South", "frames", "about ten"));
        page.navigate(address(TABLE + "/fields/frames"));
        page.locator("form[action$='/kind'] select[name=kind]").selectOption("WHOLE_NUMBER");
        button(page, "See what would become of the values").click();
        assertThat(page.locator(".slip .note-warn")).containsText("1 does not fit");
        assertThat(page.locator(".slip .note-warn")).containsText("about ten");
        button(page, "Change all of them").click();
        assertThat(page.locator(".note-good")).containsText("What did not fit");
        page.navigate(address(TABLE));
        assertThat(column(page, 2)).containsExactly("11", "–");
        page.navigate(address(TABLE + "/fields/frames"));
        button(page, "Remove Frames").click();
        assertThat(page.locator(".note-warn").first()).containsText("type the name");
        page.navigate(address(TABLE + "/fields/frames"));
        page.locator("[name=typed]").fill("Frames");
        button(page, "Remove Frames").click();
        assertThat(page.locator(".field-line .strong-link")).hasText(new String[] {"Name"});
        page.navigate(address(TABLE + "/history"));
        button(page, "Put back").first().click();
        assertThat(page.locator(".note-good")).containsText("Put back");
        page.navigate(address(TABLE));
        assertThat(column(page, 2)).containsExactly("11", "–");
    }

    @Test
    void severalRowsAreChangedOrRemovedAtOnceAndComeBack() {
        Page page = hives();
        addField(page, "YES_NO", "Fed");
        for (String name : List.of("North", "South", "East")) {
            addRow(page, Map.of("name", name));
        }
        page.getByLabel("North").check();
        page.getByLabel("East").check();
        button(page, "With the ticked rows …").click();
        page.locator("[name=field]").selectOption("fed");
        button(page, "Go on").click();
        page.locator("[name='v.fed']").selectOption("yes");
        button(page, "Change all of them").click();
        assertThat(page.locator(".note-good")).containsText("2 rows are changed");
        assertThat(column(page, 2)).containsExactly("Yes", "–", "Yes");
        page.getByLabel("North").check();
        page.getByLabel("South").check();
        button(page, "With the ticked rows …").click();
        button(page, "Remove them").click();
        assertThat(page.locator(".count-text")).hasText("1 to 1 of 1");
        page.navigate(address(TABLE + "/history"));
        button(page, "Put back").click();
        assertThat(page.locator(".note-good")).containsText("Undone.");
        page.navigate(address(TABLE));
        assertThat(column(page, 1)).containsExactly("North", "South", "East");
    }

    @Test
    void theSecondWhoChangesARowSeesWhatTheFirstPut() {
        Page page = hives();
        addRow(page, Map.of("name", "North"));
        Page other = signedIn("editor@example.org");
        other.navigate(address(TABLE));
        link(other, "North").click();
        link(page, "North").click();
        page.locator(".slip [name='v.name']").fill("Northern");
        button(page, "Save").click();
        assertThat(page.locator(".note-good")).containsText("The row is changed.");
        other.locator(".slip [name='v.name']").fill("Far north");
        button(other, "Save").click();
        assertThat(other.locator(".control-problem").filter(new Locator.FilterOptions().setHasText("Northern")))
                .isVisible();
        assertThat(column(page, 1)).containsExactly("Northern");
        button(other, "Save").click();
        assertThat(other.locator(".note-good")).containsText("The row is changed.");
        assertThat(column(other, 1)).containsExactly("Far north");
        link(other, "Far north").click();
        assertThat(other.locator(".slip .history")).containsText("Elspeth Muir");
        button(other, "Put the row back to before this").last().click();
        assertThat(other.locator(".note-good")).containsText("Put back");
        other.navigate(address(TABLE));
        assertThat(column(other, 1)).containsExactly("North");
    }

    @Test
    void aComputedFieldShowsWhatItComesToBeforeItIsMade() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/tables/trees/fields/new?kind=BORROWED"));
        page.locator(".slip [name=label]").fill("Sugar of variety");
        page.locator(".slip [name=path]").selectOption("variety/sugar_bx");
        assertThat(page.locator(".samples dd").first()).containsText(".");
        page.navigate(address("/desk/tables/trees/fields/new?kind=COMPOSED"));
        page.locator(".slip [name=label]").fill("Where");
        page.locator(".slip [name=partField]").first().selectOption("plot");
        assertThat(page.locator(".samples dd").first()).hasText("A5");

        page.navigate(address("/desk/tables/varieties/fields/new?kind=TALLY"));
        page.locator(".slip [name=label]").fill("Old trees");
        page.locator(".slip [name=of]").selectOption("trees/variety");
        page.locator(".slip [name=whereField]").first().selectOption("planted");
        Locator comparison = page.locator(".slip [name=whereIs]").first();
        assertThat(comparison.locator("[value=AT_MOST]")).hasText("is on or before");
        comparison.selectOption("AT_MOST");
        page.locator(".slip [name=whereValue]").first().fill("2005-12-31");
        page.locator(".slip [name=whereValue]").first().blur();
        assertThat(page.locator(".samples dd").first()).hasText(Pattern.compile("\\d+"));
    }

    @Test
    void withoutScriptsARowIsAddedAllTheSame() {
        hives();
        Page plain = withoutScripts();
        plain.navigate(address("/sign-in"));
        plain.getByLabel("E-mail address").fill("owner@example.org");
        plain.getByLabel("Password").fill("quillbrook");
        button(plain, "Sign in").click();
        plain.navigate(address(TABLE + "/rows/new"));
        plain.locator(".slip [name='v.name']").fill("North");
        button(plain, "Add").click();
        assertThat(column(plain, 1)).containsExactly("North");
    }
}
