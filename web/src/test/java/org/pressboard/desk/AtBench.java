package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.pressboard.site.WithTables;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** What tests of the bench share: a table of crates, a page made of it, and its ticket. */
abstract class AtBench extends WithTables {


    static final FieldKey NAME = new FieldKey("name");
    static final FieldKey STATE = new FieldKey("state");
    static final FieldKey YEAR = new FieldKey("year");
    static final FieldKey DAY = new FieldKey("day");
    static final String BENCH = "/desk/pages/crates/crates";

    @BeforeEach
    void makeTheTable() {
        Table crates = changes.make("Crates", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(STATE, "State", Chosen.Choice.of(List.of("Ripe", "Green", "Eaten"))),
                new Field(YEAR, "Year", new Numeric.WholeNumber(false)), new Field(DAY, "Day", new Temporal.Date()))), OWNER);
        rows().forEach(row -> editing.add(crates.key(), row.values(), OWNER));
    }

    /** The rows of the table. */
    static List<Row> rows() {
        return IntStream.range(0, 6).mapToObj(i -> Row.of(new RowId(i + 1), Map.of(NAME, Value.of("Crate " + (i + 1)), STATE,
                Value.of(List.of("Ripe", "Green", "Eaten").get(i % 3)), YEAR, Value.of(2019L + i), DAY,
                Value.of(java.time.LocalDate.of(2024, 3, 9 + i))))).toList();
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        catalog.tables().all().stream().filter(table -> table.key().name().equals("crates"))
                .forEach(table -> publisher.remove(table.key()));
    }

    Page bench() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        page.locator(".make-table [name=table]").selectOption("crates");
        button(page, "Add").click();
        page.waitForURL(address(BENCH));
        assertThat(proof(page).locator(".table tbody tr")).hasCount(6);
        return page;
    }

    static FrameLocator proof(Page page) {
        return page.frameLocator("iframe");
    }

    static void open(Page page, String word) {
        page.locator("[data-opens='" + word + "']").click();
        assertThat(page.locator("[data-panel='" + word + "']")).isVisible();
    }

    static Locator heading(Page page, String text) {
        return proof(page).locator("th").filter(new Locator.FilterOptions().setHasText(text));
    }

    static void says(Page page, String word, String text) {
        assertThat(page.locator("[data-opens='" + word + "']")).hasText(text);
    }
}
