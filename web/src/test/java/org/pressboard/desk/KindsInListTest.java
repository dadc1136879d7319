package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.site.WithTables;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Rows with a field of each kind are sorted by every one of them, and narrowed by all that can be narrowed by. */
class KindsInListTest extends WithTables {

    private static final FieldKey NAME = new FieldKey("name");
    private static final String TABLE = "/desk/tables/crates";

    /** A kind, and three values in plain form in their order; the row with the second is added first. */
    private record Kind(String key, FieldType type, String first, String second, String third) {

        List<String> values() {
            return List.of(second, third, first);
        }
    }

    private static List<Kind> kinds(TableKey racks) {
        Chosen.Choice choice = Chosen.Choice.of(List.of("Ripe", "Green", "Eaten"));
        return List.of(new Kind("text", new Textual.Text(), "Ada", "\u00c9mile", "Zo\u00eb"),
                new Kind("notes", new Textual.LongText(), "a", "b", "c"),
                new Kind("email", new Textual.Email(), "a@example.org", "b@example.org", "c@example.org"),
                new Kind("link", new Textual.Link(), "https://a.example.org", "https://b.example.org",
                        "https://c.example.org"),
                new Kind("phone", new Textual.Phone(), "+44 1632 960001", "+44 1632 960002", "+44 1632 960003"),
                new Kind("whole", new Numeric.WholeNumber(true), "9", "10", "1100"),
                new Kind("decimal", new Numeric.Decimal(2), "-1.5", "0.25", "10"),
                new Kind("money", new Numeric.Money("EUR"), "0.50", "2", "10.75"),
                new Kind("percent", new Numeric.Percent(1), "2.5", "10", "99.9"),
                new Kind("rating", new Numeric.Rating(5), "1", "3", "5"),
                new Kind("yesno", new FieldType.YesNo(), "no", "yes", "yes"),
                new Kind("day", new Temporal.Date(), "2023-12-31", "2024-01-02", "2024-03-09"),
                new Kind("moment", new Temporal.DateTime(), "2024-01-01T23:59:00", "2024-01-02T00:00:00",
                        "2024-01-03T12:00:00"),
                new Kind("hour", new Temporal.TimeOfDay(), "07:45:00", "09:00:00", "18:30:00"),
                new Kind("state", choice, "Ripe", "Green", "Eaten"),
                new Kind("rack", new Referring.Reference(racks, Referring.OnRemoval.REFUSE), "1", "2", "3"));
    }

    private List<Kind> kinds = List.of();

    @BeforeEach
    void makeTheTables() {
        Table racks = changes.make("Racks", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        List.of("Attic", "Barn", "Cellar").forEach(name ->
                editing.add(racks.key(), Map.of(NAME, Value.of(name)), OWNER));
        kinds = kinds(racks.key());
        List<Field> fields = new ArrayList<>(List.of(new Field(NAME, "Name", new Textual.Text())));
        kinds.forEach(kind -> fields.add(new Field(new FieldKey(kind.key), kind.key, kind.type)));
        fields.add(new Field(new FieldKey("uses"), "uses", Chosen.Choices.of(List.of("Cider", "Eating", "Juice"))));
        fields.add(new Field(new FieldKey("others"), "others",
                new Referring.References(racks.key(), Referring.OnRemoval.CLEAR)));
        Table crates = changes.make("Crates", new Fields(fields), OWNER);
        for (int i = 0; i < 3; i++) {
            Map<FieldKey, Value> values = new HashMap<>(Map.of(NAME, Value.of(List.of("second", "third", "first").get(i))));
            for (Kind kind : kinds) {
                values.put(new FieldKey(kind.key), kind.type.read(kind.values().get(i)).orElseThrow());
            }
            values.put(new FieldKey("uses"), crates.field(new FieldKey("uses")).type()
                    .read(List.of("Eating\nJuice", "Juice", "Cider\nEating").get(i)).orElseThrow());
            values.put(new FieldKey("others"), crates.field(new FieldKey("others")).type()
                    .read(List.of("2\n3", "3", "1\n2").get(i)).orElseThrow());
            editing.add(crates.key(), values, OWNER);
        }
        editing.add(crates.key(), Map.of(NAME, Value.of("empty")), OWNER);
    }

    @AfterEach
    void removeTheTables() {
        closePages();
        publisher.remove(catalog.tables().all().stream().map(Table::key)
                .filter(key -> key.name().equals("crates") || key.name().equals("racks")).toArray(TableKey[]::new));
    }

    @Test
    void everyKindIsSortedByItsHeadingEitherWayEmptyOnesLast() {
        Page page = signedIn("owner@example.org");
        page.navigate(address(TABLE));
        for (Kind kind : kinds.stream().filter(each -> each.type.isSortable()).toList()) {
            sort(page, kind.key);
            page.waitForURL(address(TABLE + "?sort=" + kind.key));
            assertThat(column(page, 1)).as(kind.key + " upwards").isEqualTo(kind.type instanceof FieldType.YesNo
                    ? List.of("first", "second", "third", "empty") : List.of("first", "second", "third", "empty"));
            sort(page, kind.key);
            page.waitForURL(address(TABLE + "?sort=-" + kind.key));
            assertThat(column(page, 1)).as(kind.key + " downwards").isEqualTo(List.of("third", "second", "first", "empty"));
        }
        assertThat(page.locator("th a.sorter").filter(new Locator.FilterOptions().setHasText("uses"))).hasCount(0);
    }

    private static void sort(Page page, String label) {
        page.locator("th a.sorter").filter(new Locator.FilterOptions().setHasText(
                java.util.regex.Pattern.compile("^\\s*" + label + "\\s*$"))).click();
    }

    @Test
    void whatHasARangeIsNarrowedByBothEnds() {
        Page page = signedIn("owner@example.org");
        for (Kind kind : kinds.stream().filter(each -> each.type.hasRange()).toList()) {
            page.navigate(address(TABLE));
            open(page);
            Locator from = page.locator("input[name='f." + kind.key + ".from']");
            from.fill(typed(kind, kind.second));
            from.dispatchEvent("change");
            assertThat(page.locator(".chip")).hasCount(1);
            assertThat(column(page, 1)).as(kind.key).containsExactly("second", "third");
            Locator to = page.locator("input[name='f." + kind.key + ".to']");
            to.fill(typed(kind, kind.second));
            to.dispatchEvent("change");
            page.waitForURL(url -> url.contains(kind.key + ".to="));
            assertThat(page.locator(".count-text")).containsText("1 to 1 of 1");
            assertThat(column(page, 1)).as(kind.key).containsExactly("second");
        }
    }

    /** By days, where a field has days and times. */
    private static String typed(Kind kind, String value) {
        return kind.type instanceof Temporal.DateTime ? value.substring(0, 10) : value;
    }

    @Test
    void whatHasFewValuesOrLeadsToRowsIsNarrowedByPickingThem() {
        Page page = signedIn("owner@example.org");
        for (String[] each : new String[][] {{"state", "Green", "second"}, {"yesno", "yes", "second,third"},
            {"uses", "Eating", "second,first"}, {"rack", "2", "second"}, {"others", "3", "second,third"}}) {
            page.navigate(address(TABLE));
            open(page);
            Locator option = page.locator("input[name='f." + each[0] + "'][value='" + each[1] + "']");
            option.check();
            assertThat(page.locator(".chip")).hasCount(1);
            assertThat(column(page, 1)).as(each[0]).containsExactly(each[2].split(","));
        }
    }

    /** The menus, all of them. */
    private static void open(Page page) {
        page.locator("details.menu").evaluateAll("all => all.forEach(each => { each.open = true; })");
    }
}
