package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.condition.Condition;
import org.pressboard.table.Computed;
import org.pressboard.table.Computed.Measure;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * Tallies over the reference data of NIST by which the accuracy of means is judged (Statistical Reference Datasets,
 * univariate summary statistics, NumAcc1 to NumAcc4; how they are made and their certified means from memory).
 */
class TallyReferenceTest extends StoreTest {

    private static final FieldKey SET = new FieldKey("set");
    private static final FieldKey NUMBER = new FieldKey("number");

    @Autowired
    private TableChanges changes;

    private TableKey sets;
    private TableKey numbers;

    @BeforeEach
    void talliesOfNumbers() {
        sets = changes.make("Sets", new Fields(List.of(new Field(new FieldKey("name"), "Name", new Textual.Text()))),
                OWNER).key();
        numbers = changes.make("Numbers", new Fields(List.of(
                new Field(SET, "Set", new Referring.Reference(sets, Referring.OnRemoval.REFUSE)),
                new Field(NUMBER, "Number", new Numeric.Decimal(10)))), OWNER).key();
        for (Measure measure : List.of(Measure.COUNT, Measure.AVERAGE, Measure.SUM, Measure.LEAST, Measure.GREATEST)) {
            changes.addField(sets, Field.computed(new FieldKey(measure.name().toLowerCase(java.util.Locale.ROOT)),
                    measure.name(), new Computed.Tally(numbers, SET, measure, NUMBER, Condition.ALWAYS, null, null,
                            Computed.Floor.NONE)), OWNER);
        }
    }

    /** Of NumAcc2 to 4, the first number and then, by turns, one tenth less and one tenth more. */
    @ParameterizedTest
    @CsvSource({"10000001 10000003 10000002,0,10000002,3,10000001,10000003", "1.2,1.2,1.2,1001,1.1,1.3",
        "1000000.2,1000000.2,1000000.2,1001,1000000.1,1000000.3",
        "10000000.2,10000000.2,10000000.2,1001,10000000.1,10000000.3"})
    void theMeanIsTheCertifiedOne(String first, BigDecimal around, BigDecimal mean, long count, BigDecimal least,
            BigDecimal greatest) {
        long set = inTransaction(() -> sql.fetchSingle("insert into hosted.{0} (name) values ('NumAcc') returning row_id",
                DSL.name(sets.name())).get(0, Long.class));
        inTransaction(() -> {
            sql.execute("insert into hosted.{0} (set, number) select {1}, one::numeric from unnest({2}::text[]) one",
                    DSL.name(numbers.name()), DSL.val(set), DSL.val(first.split(" ")));
            sql.execute("insert into hosted.{0} (set, number) select {1}, {2} + case when i % 2 = 1 then -0.1 else 0.1 end "
                    + "from generate_series(1, {3}) i", DSL.name(numbers.name()), DSL.val(set), DSL.val(around),
                    DSL.val(count > 3 ? 1000 : 0));
        });
        Record tallied = sql.fetchSingle("select count, average, sum, least, greatest from hosted.{0} where row_id = {1}",
                DSL.name(sets.name()), DSL.val(set));
        assertThat(tallied.get("count", Long.class)).isEqualTo(count);
        assertThat(tallied.get("average", BigDecimal.class)).isEqualByComparingTo(mean);
        assertThat(tallied.get("sum", BigDecimal.class)).isEqualByComparingTo(mean.multiply(BigDecimal.valueOf(count)));
        assertThat(tallied.get("least", BigDecimal.class)).isEqualByComparingTo(least);
        assertThat(tallied.get("greatest", BigDecimal.class)).isEqualByComparingTo(greatest);
    }

    /** Each holds the row that they refer to; none may wait for the others to let go of it. */
    @Test
    void manyWhoAddAtOnceAreAllCounted() throws Exception {
        long set = inTransaction(() -> sql.fetchSingle("insert into hosted.{0} (name) values ('Crowd') returning row_id",
                DSL.name(sets.name())).get(0, Long.class));
        Callable<Integer> adding = () -> inTransaction(() -> sql.execute("insert into hosted.{0} (set, number) values ({1}, 1)",
                DSL.name(numbers.name()), DSL.val(set)));
        try (ExecutorService crowd = Executors.newFixedThreadPool(8)) {
            for (Future<Integer> each : crowd.invokeAll(Collections.nCopies(200, adding))) {
                assertThat(each.get()).isOne();
            }
        }
        assertThat(sql.fetchSingle("select count from hosted.{0} where row_id = {1}", DSL.name(sets.name()), DSL.val(set))
                .get(0, Long.class)).isEqualTo(200);
    }
}
