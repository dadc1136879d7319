package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;

class TallyClockTest extends StoreTest {

    private static final FieldKey BED = new FieldKey("bed");
    private static final FieldKey DAY = new FieldKey("day");

    @Autowired
    private TableChanges changes;

    @Autowired
    private TallyClock clock;

    @Test
    void whatWasOfTheLastDaysIsNotAnyMoreWhenDaysHaveGone() {
        Table beds = changes.make("Beds by day", new Fields(List.of(
                new Field(new FieldKey("name"), "Name", new Textual.Text()))), OWNER);
        Table sown = changes.make("Sown by day", new Fields(List.of(
                new Field(BED, "Bed", new Referring.Reference(beds.key(), Referring.OnRemoval.REFUSE)),
                new Field(DAY, "Day", new Temporal.Date()))), OWNER);
        changes.addField(beds.key(), Field.computed(new FieldKey("lately"), "Lately", new Computed.Tally(sown.key(), BED,
                Computed.Measure.COUNT, null, new Condition.Compare(DAY, Operator.GREATER, new Operand.Today(-7)), null,
                null, Computed.Floor.NONE)), OWNER);
        inTransaction(() -> {
            sql.execute("insert into hosted.beds_by_day (name) values ('Long bed')");
            sql.execute("insert into hosted.sown_by_day (bed, day) select 1, current_date - i from generate_series(0, 9) i");
        });
        assertThat(lately()).isEqualTo(7);
        // three days on, with nobody having changed a row
        inTransaction(() -> {
            sql.execute("alter table hosted.sown_by_day disable trigger user");
            sql.execute("update hosted.sown_by_day set day = day - 3");
            sql.execute("alter table hosted.sown_by_day enable trigger user");
        });
        assertThat(lately()).isEqualTo(7);
        clock.dayBegins();
        assertThat(lately()).isEqualTo(4);
    }

    private long lately() {
        return inTransaction(() -> sql.fetchSingle("select lately from hosted.beds_by_day").get(0, Long.class));
    }
}
