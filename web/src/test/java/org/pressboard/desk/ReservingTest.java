package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.SelectOption;
import java.math.BigDecimal;
import java.sql.Date;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.site.WithTables;
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
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** A button adds a row elsewhere: with values of its row and the visitor, and a day that is asked for. */
class ReservingTest extends WithTables {

    private static final TableKey LADDERS = new TableKey("ladders");
    private static final TableKey RESERVED = new TableKey("reserved");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey RATE = new FieldKey("rate");
    private static final FieldKey LADDER = new FieldKey("ladder");
    private static final FieldKey WHO = new FieldKey("who");
    private static final FieldKey DAY = new FieldKey("day");

    @Autowired
    private JdbcTemplate database;

    @BeforeEach
    void makeTheTables() {
        changes.make("Ladders", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(RATE, "Rate", new Numeric.Decimal(2)))), OWNER);
        editing.add(LADDERS, Map.of(NAME, Value.of("Long ladder"), RATE, Value.of(new BigDecimal("7.50"))), OWNER);
        changes.make("Reserved", new Fields(List.of(new Field(LADDER, "Ladder", new Referring.Reference(LADDERS,
                Referring.OnRemoval.CLEAR)), new Field(WHO, "Who", new Textual.Text()), new Field(DAY, "Day",
                new Temporal.Date()), new Field(RATE, "At", new Numeric.Decimal(2)))), OWNER);
        Stream.of(Map.entry(LADDERS, Verb.SEE), Map.entry(RESERVED, Verb.ADD)).forEach(open -> publisher.grant(open.getKey(),
                new Grants(List.of(new Grant(Audience.MEMBERS, open.getValue(), Condition.ALWAYS)))));
    }

    @AfterEach
    void removeTheTables() {
        closePages();
        publisher.remove(RESERVED, LADDERS);
    }

    @Test
    void whatItIsAndWhatItCostsGoesAlong() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        page.locator(".make-table [name=table]").selectOption("ladders");
        button(page, "Add").click();
        page.waitForURL("**/desk/pages/ladders/ladders");
        page.navigate(address("/desk/forms"));
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).fill("Reserve");
        page.getByLabel("Saves to").selectOption("reserved");
        page.locator("[name=page]").selectOption("ladders");
        button(page, "Add a form").click();
        set(page, "rate", "what the row has: Ladder: Rate", "At: what the row has: Ladder: Rate");
        set(page, "who", "the visitor’s name", "Who: the visitor’s name");
        page.navigate(address("/desk/pages/ladders/ladders"));
        page.locator("[data-opens=buttons]").click();
        page.locator("[data-panel=buttons]").getByLabel("Reserve", new Locator.GetByLabelOptions().setExact(true)).check();
        assertThat(page.locator("[data-opens=buttons]")).hasText("“Reserve”");
        page.navigate(address("/desk/pages/ladders"));
        button(page, "Publish").click();

        Page mira = signedIn("mira@example.org");
        mira.navigate(address("/ladders"));
        link(mira, "Reserve").click();
        assertThat(mira.locator("[name='v.ladder']")).hasValue("Long ladder");
        assertThat(mira.locator("[name='v.rate'], [name='v.who']")).hasCount(0);
        mira.getByLabel("Day").fill("2027-04-03");
        button(mira, "Send").click();
        assertThat(mira.locator(".note-good")).isVisible();
        assertThat(reserved()).containsEntry("who", "Mira Holloway").containsEntry("day", Date.valueOf("2027-04-03"))
                .containsEntry("rate", new BigDecimal("7.50"));

        // what it was then stays, whatever the ladder costs later
        editing.change(LADDERS, new RowId(1), Map.of(RATE, Optional.of(Value.of(new BigDecimal("7.50")))), Map.of(RATE,
                Optional.of(Value.of(new BigDecimal("9.00")))), OWNER);
        assertThat(reserved()).containsEntry("rate", new BigDecimal("7.50"));
    }

    private Map<String, Object> reserved() {
        return database.queryForMap("select who, day, rate from hosted.reserved");
    }

    /** Has a field set without asking, as it is then said. */
    private static void set(Page page, String field, String to, String said) {
        if (!page.locator("[data-panel=set]").isVisible()) {
            page.locator("[data-opens=set]").click();
        }
        page.locator("#set-" + field).selectOption(new SelectOption().setLabel(to));
        page.locator("form").filter(new Locator.FilterOptions().setHas(page.locator("#set-" + field))).getByText("Set it").click();
        assertThat(page.locator("[data-opens=set]")).containsText(said);
    }
}
