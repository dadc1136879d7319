package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.catalog.Site;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.testing.SetClock;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;

/** What depends on the day goes by the site's, wherever the machine stands. Clock changes: tz database, from memory. */
class TallyClockTest extends StoreTest {

    private static final FieldKey BED = new FieldKey("bed");
    private static final FieldKey DAY = new FieldKey("day");

    @Autowired
    private TableChanges changes;

    @Autowired
    private TallyClock days;

    @Autowired
    private SetClock clock;

    private Site before = new Site("-", "en");

    /** Ten rows, of the last ten days, of which those of the last seven are counted. */
    @BeforeEach
    void makeTables() {
        before = catalog.site();
        Table beds = changes.make("Beds by day", new Fields(List.of(
                new Field(new FieldKey("name"), "Name", new Textual.Text()))), OWNER);
        Table sown = changes.make("Sown by day", new Fields(List.of(
                new Field(BED, "Bed", new Referring.Reference(beds.key(), Referring.OnRemoval.REFUSE)),
                new Field(DAY, "Day", new Temporal.Date()))), OWNER);
        changes.addField(beds.key(), Field.computed(new FieldKey("lately"), "Lately", new Computed.Tally(sown.key(), BED,
                Computed.Measure.COUNT, null, new Condition.Compare(DAY, Operator.GREATER, new Operand.Today(-7)), null,
                null, Computed.Floor.NONE)), OWNER);
        inTransaction(() -> sql.execute("insert into hosted.beds_by_day (name) values ('Long bed')"));
    }

    @AfterEach
    void removeTables() {
        catalog.changeSite(before);
        days.look();
        clock.back();
        days.look();
        publisher.remove(new TableKey("sown_by_day"), new TableKey("beds_by_day"));
    }

    private void sow(LocalDate last) {
        inTransaction(() -> sql.execute("insert into hosted.sown_by_day (bed, day) select 1, {0}::date - i from generate_series(0, 9) i",
                DSL.val(last)));
    }

    private void itIs(String there) {
        clock.set(LocalDateTime.parse(there));
        days.look();
    }

    private void siteIsIn(String zone) {
        catalog.changeSite(new Site(before.name(), before.languageTag(), before.publicAddress(), before.signUp(), ZoneId.of(zone)));
        days.look();
    }

    @Test
    void whatWasOfTheLastDaysIsNotAnyMoreWhenDaysHaveGone() {
        itIs("2026-11-27T12:00");
        sow(LocalDate.parse("2026-11-27"));
        assertThat(lately()).isEqualTo(7);
        itIs("2026-11-27T23:59:59");
        assertThat(lately()).isEqualTo(7);
        itIs("2026-11-28T00:00");
        assertThat(lately()).isEqualTo(6);
        itIs("2026-11-30T12:00");
        assertThat(lately()).isEqualTo(4);
    }

    /** The same moment is another day there. */
    @Test
    void daysAreThoseOfTheSite() {
        siteIsIn("Pacific/Kiritimati");
        clock.set(Instant.parse("2026-11-27T11:00:00Z"));
        days.look();
        sow(LocalDate.parse("2026-11-28"));
        assertThat(lately()).isEqualTo(7);
        siteIsIn("Pacific/Honolulu");
        assertThat(LocalDate.now(clock)).isEqualTo("2026-11-27");
        assertThat(lately()).isEqualTo(8);
    }

    /** Lisbon's clocks go an hour on and an hour back at two; Santiago's day begins at one when they go on. */
    @ParameterizedTest
    @CsvSource({"Europe/Lisbon,2026-10-24T22:59:59Z,2026-10-24", "Europe/Lisbon,2026-10-24T23:00:00Z,2026-10-25",
        "Europe/Lisbon,2026-10-25T23:59:59Z,2026-10-25", "Europe/Lisbon,2026-10-26T00:00:00Z,2026-10-26",
        "Europe/Lisbon,2026-03-28T23:59:59Z,2026-03-28", "Europe/Lisbon,2026-03-29T22:59:59Z,2026-03-29",
        "Europe/Lisbon,2026-03-29T23:00:00Z,2026-03-30",
        "America/Santiago,2026-09-06T03:59:59Z,2026-09-05", "America/Santiago,2026-09-06T04:00:00Z,2026-09-06"})
    void daysAreWholeAlsoWhenTheClocksChange(String zone, Instant moment, LocalDate day) {
        siteIsIn(zone);
        clock.set(moment);
        days.look();
        sow(day);
        assertThat(sql.fetchSingle("select pressboard.today()").get(0, LocalDate.class)).isEqualTo(day);
        assertThat(lately()).isEqualTo(7);
    }

    private long lately() {
        return inTransaction(() -> sql.fetchSingle("select lately from hosted.beds_by_day").get(0, Long.class));
    }
}
