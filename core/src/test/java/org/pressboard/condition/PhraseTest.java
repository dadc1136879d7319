package org.pressboard.condition;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.pressboard.table.Comparisons;
import org.pressboard.table.Field;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class PhraseTest {

    private static final long SEED = 11;
    private static final Clause CIDER = Clause.fixed(Cases.USE, Comparison.IS, Value.of("Cider"));
    private static final Clause RECENT = Clause.fixed(Cases.PLANTED, Comparison.LAST_DAYS, Value.of(30L));

    @ParameterizedTest
    @EnumSource
    void eachStatementIsReadBackAsWhatItWas(Comparison comparison) {
        for (Field field : Cases.TABLE.fields()) {
            if (Comparisons.offered(field).contains(comparison)) {
                Clause clause = Clause.fixed(field.key(), comparison, values(field, comparison).toArray(Value[]::new));
                assertThat(Clause.of(clause.condition())).as(clause.toString()).contains(clause);
            }
        }
    }

    /** "At least" what a dial says, "between today" and a field of the visitor's. */
    @ParameterizedTest
    @EnumSource
    void eachOperandIsReadBackAsWhatItWas(Comparison comparison) {
        RandomGenerator random = Cases.random(SEED);
        for (Field field : Cases.TABLE.fields()) {
            for (Operand operand : Cases.operands(field.key(), random)) {
                if (comparison.isOfOperands() && Comparisons.offered(field).contains(comparison)) {
                    Clause clause = new Clause(field.key(), comparison, Collections.nCopies(comparison.operands(), operand));
                    Clause back = Clause.of(clause.condition()).orElseThrow();
                    assertThat(back.condition()).isEqualTo(clause.condition());
                    // what is before today is past
                    assertThat(back.equals(clause) || (back.operands().isEmpty() && operand instanceof Operand.Today)).as("%s", back).isTrue();
                }
            }
        }
    }

    private static List<Value> values(Field field, Comparison comparison) {
        RandomGenerator random = Cases.random(SEED);
        return comparison.isOfCount() ? List.of(Value.of(30L)) : java.util.stream.IntStream.range(0, comparison.operands())
                .mapToObj(i -> comparison == Comparison.CONTAINS || comparison == Comparison.BEGINS
                        ? Value.of("a" + i) : Cases.value(field.key(), random)).toList();
    }

    @Test
    void everyConditionComesBackTheSame() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> rows = Cases.rows(random, 40);
        for (int i = 0; i < 500; i++) {
            Condition condition = Cases.condition(random, 3);
            Condition back = Phrase.read(condition).condition();
            for (Row row : rows) {
                assertThat(back.holds(row, Cases.MIRA)).as("seed " + SEED + ", " + condition)
                        .isEqualTo(condition.holds(row, Cases.MIRA));
            }
        }
    }

    @Test
    void whatIsNotSoTakesRowsWithoutAValue() {
        Row bare = Row.of(new RowId(1), Map.of());
        assertThat(Clause.fixed(Cases.USE, Comparison.IS_NOT, Value.of("Cider")).condition().holds(bare, Cases.MIRA))
                .isTrue();
        assertThat(Clause.fixed(Cases.NAME, Comparison.CONTAINS_NOT, Value.of("x")).condition()
                .holds(bare, Cases.MIRA)).isTrue();
        assertThat(CIDER.condition().holds(bare, Cases.MIRA)).isFalse();
    }

    /** Two statements about one field are two, also where one of two ends would come to the same; "or" can be said of them. */
    @Test
    void twoStatementsAboutAFieldStayTwo() {
        Clause least = Clause.fixed(Cases.WEEKS, Comparison.AT_LEAST, Value.of(5L));
        Clause most = Clause.fixed(Cases.WEEKS, Comparison.AT_MOST, Value.of(1L));
        Phrase.Group both = Phrase.read(Condition.ALWAYS).adding(List.of(), new Phrase.Statement(least))
                .adding(List.of(), new Phrase.Statement(most));
        assertThat(Phrase.read(both.condition())).isEqualTo(both);
        Phrase.Group either = both.meant(List.of(), Phrase.Mode.ANY);
        assertThat(Phrase.read(either.condition())).isEqualTo(either);
        assertThat(either.condition().holds(Row.of(new RowId(1), Map.of(Cases.WEEKS, Value.of(0L))), Cases.MIRA)).isTrue();
    }

    @Test
    void noneOfIsTheOppositeOfAnyOf() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> rows = Cases.rows(random, 60);
        for (int i = 0; i < 500; i++) {
            Condition one = Cases.condition(random, 2);
            Condition other = Cases.condition(random, 1);
            for (Row row : rows) {
                boolean any = new Condition.Any(List.of(one, other)).holds(row, Cases.MIRA);
                assertThat(new Condition.Any(List.of(one, other)).not().holds(row, Cases.MIRA)).as("seed " + SEED + ", "
                        + one + ", " + other).isEqualTo(!any);
            }
        }
    }

    /** 14 March 2026 is a Saturday (ISO 8601: the week began on the 9th). */
    @Test
    void daysAreCountedFromToday() {
        assertThat(holding(Comparison.TODAY)).containsExactly("2026-03-14");
        assertThat(holding(Comparison.THIS_WEEK)).containsExactly("2026-03-09", "2026-03-14", "2026-03-15");
        assertThat(holding(Comparison.THIS_MONTH)).containsExactly("2026-03-01", "2026-03-08", "2026-03-09", "2026-03-14",
                "2026-03-15", "2026-03-31");
        assertThat(holding(Comparison.THIS_YEAR)).hasSize(8).doesNotContain("2025-12-31");
        assertThat(holding(Comparison.PAST)).contains("2026-03-09").doesNotContain("2026-03-14");
        assertThat(holding(Comparison.UPCOMING)).startsWith("2026-03-14");
        assertThat(holding(Comparison.LAST_DAYS, 5)).containsExactly("2026-03-09", "2026-03-14");
        assertThat(holding(Comparison.NEXT_DAYS, 17)).containsExactly("2026-03-14", "2026-03-15", "2026-03-31");
    }

    private static List<String> holding(Comparison comparison, long... days) {
        Condition condition = Clause.fixed(Cases.PLANTED, comparison,
                java.util.Arrays.stream(days).mapToObj(Value::of).toArray(Value[]::new)).condition();
        return List.of("2025-12-31", "2026-02-28", "2026-03-01", "2026-03-08", "2026-03-09", "2026-03-14", "2026-03-15",
                "2026-03-31", "2026-04-01").stream().filter(day -> condition.holds(
                        Row.of(new RowId(1), Map.of(Cases.PLANTED, Value.of(LocalDate.parse(day)))), Cases.MIRA)).toList();
    }

    @Test
    void phrasesAreAddedChangedAndTakenOutWhereTheyStand() {
        Phrase.Group none = Phrase.read(Condition.ALWAYS);
        assertThat(none.phrases()).isEmpty();
        Phrase.Group one = none.adding(List.of(), new Phrase.Statement(CIDER));
        Phrase.Group two = one.adding(List.of(), new Phrase.Group(Phrase.Mode.ANY, List.of(new Phrase.Statement(RECENT))))
                .adding(List.of(1), new Phrase.Statement(CIDER)).meant(List.of(1), Phrase.Mode.NONE);
        assertThat(two.condition()).isEqualTo(new Condition.All(List.of(CIDER.condition(),
                new Condition.Any(List.of(RECENT.condition(), CIDER.condition())).not())));
        assertThat(Phrase.read(two.condition())).isEqualTo(two);
        assertThat(two.with(List.of(1, 0), new Phrase.Statement(CIDER)).without(List.of(1, 1)).without(List.of(0)))
                .isEqualTo(new Phrase.Group(Phrase.Mode.ALL, List.of(new Phrase.Group(Phrase.Mode.NONE,
                        List.of(new Phrase.Statement(CIDER))))));
        assertThat(two.without(List.of(1, 0)).without(List.of(1, 0))).isEqualTo(one);
    }
}
