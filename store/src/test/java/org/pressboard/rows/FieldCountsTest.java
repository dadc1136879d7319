package org.pressboard.rows;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Distribution;
import org.pressboard.table.Table;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Folding;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** What one can narrow to is counted as the core would count the rows in memory. */
class FieldCountsTest extends StoreTest {

    private static final long SEED = 20_261_127;
    private static final int CONDITIONS = 40;

    @Autowired
    private FieldCounts counts;

    private final RandomGenerator random = Cases.random(SEED);
    private final List<Row> rows = Cases.rows(random, 300);

    @Test
    void eachValueIsCountedAsInMemory() {
        Table table = tableWith(rows);
        for (int i = 0; i < CONDITIONS; i++) {
            RowQuery query = query(table, Visitor.ANYONE, Cases.condition(random, 2), List.of(), 1, 10);
            for (FieldKey field : List.of(Cases.USE, Cases.RARE, Cases.WEEKS)) {
                Map<String, Long> inMemory = having(query, field).stream().collect(Collectors.groupingBy(PlainForm::write,
                        Collectors.counting()));
                assertThat(counts.byValue(query, field, List.of(), ENGLISH)).as("%s, seed %d", query.condition(), SEED)
                        .isEqualTo(inMemory);
            }
        }
    }

    @Test
    void lettersAreCountedWithoutRegardToCaseAndAccents() {
        Table table = tableWith(rows);
        RowQuery query = query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10);
        Map<String, Long> inMemory = having(query, Cases.NAME).stream().map(value -> Folding.fold(PlainForm.write(value)))
                .collect(Collectors.groupingBy(text -> text.isEmpty() ? "" : text.substring(0, text.offsetByCodePoints(0, 1)),
                        Collectors.counting()));
        assertThat(counts.byLetter(query, Cases.NAME, ENGLISH)).isEqualTo(inMemory);
    }

    @Test
    void eachBarHasTheRowsThatItTellsOf() {
        Table table = tableWith(rows);
        for (int i = 0; i < CONDITIONS; i++) {
            RowQuery query = query(table, Visitor.ANYONE, Cases.condition(random, 1), List.of(), 1, 10);
            for (FieldKey field : List.of(Cases.WEEKS, Cases.PLANTED)) {
                List<Value> values = having(query, field);
                Distribution spread = counts.distribution(query, field, ENGLISH);
                assertThat(spread.bars().stream().mapToLong(Distribution.Bar::rows).sum()).isEqualTo(values.size());
                assertThat(spread.bars()).allSatisfy(bar -> assertThat(bar.rows()).isEqualTo(values.stream().filter(value ->
                        value.compareWith(bar.from()) >= 0 && value.compareWith(bar.to()) <= 0).count()));
            }
            assertThat(counts.distribution(query, Cases.SEEN, ENGLISH).bars().stream().mapToLong(Distribution.Bar::rows).sum())
                    .isEqualTo(having(query, Cases.SEEN).size());
        }
    }

    @Test
    void whatIsKnownIsForgottenWhenRowsChange() {
        Table table = tableWith(rows);
        RowQuery query = query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10);
        // word of the rows brought in may come a moment later
        Eventually.holds(() -> !counts.byValue(query, Cases.USE, List.of(), ENGLISH).isEmpty()
                && counts.knownByValue(query, Cases.USE, List.of()).isPresent());
        Map<String, Long> before = new HashMap<>(counts.byValue(query, Cases.USE, List.of(), ENGLISH));
        load(table, List.of(Row.of(new RowId(301), Map.of(Cases.USE, Value.of("Cider")))));
        Eventually.holds(() -> counts.knownByValue(query, Cases.USE, List.of()).isEmpty());
        before.merge("Cider", 1L, Long::sum);
        assertThat(counts.byValue(query, Cases.USE, List.of(), ENGLISH)).isEqualTo(before);
        assertThat(counts.byValue(query, Cases.USE, List.of(Value.of("Cider")), ENGLISH)).containsOnlyKeys("Cider");
    }

    private List<Value> having(RowQuery query, FieldKey field) {
        return query.matching(rows).stream().flatMap(row -> row.find(field).stream()).toList();
    }
}
