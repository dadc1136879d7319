package org.pressboard.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.pressboard.condition.Cases.KEEPER;
import static org.pressboard.condition.Cases.MIRA;
import static org.pressboard.condition.Cases.NAME;
import static org.pressboard.condition.Cases.NOBODY;
import static org.pressboard.condition.Cases.PLANTED;
import static org.pressboard.condition.Cases.SEEN;
import static org.pressboard.condition.Cases.SUGAR;
import static org.pressboard.condition.Cases.WEEKS;
import static org.pressboard.condition.Cases.named;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class ConditionTest {

    private static final Row EMPTY = new Row(new RowId(1), Map.of());

    @Test
    void ofNoPartsAllHoldsAndAnyDoesNot() {
        assertThat(Condition.ALWAYS.holds(EMPTY, NOBODY)).isTrue();
        assertThat(Condition.NEVER.holds(EMPTY, NOBODY)).isFalse();
    }

    @Test
    void comparingWithAnAbsentValueDoesNotHoldAndNotIsTheOpposite() {
        for (Operator operator : Operator.values()) {
            Value with = operator.isForText() ? Value.of("a") : Value.of(10);
            Condition compared = Condition.compare(operator.isForText() ? NAME : WEEKS, operator, with);
            assertThat(compared.holds(EMPTY, NOBODY)).as(operator.name()).isEqualTo(operator == Operator.DIFFERS);
            assertThat(compared.not().holds(EMPTY, NOBODY)).as(operator.name()).isEqualTo(operator != Operator.DIFFERS);
        }
        Condition between = new Condition.Between(WEEKS, new Operand.Fixed(Value.of(1)), new Operand.Fixed(Value.of(2)));
        assertThat(between.holds(EMPTY, NOBODY)).isFalse();
        assertThat(Condition.oneOf(WEEKS, List.of(Value.of(1))).not().holds(EMPTY, NOBODY)).isTrue();
        assertThat(Condition.isEmpty(WEEKS).holds(EMPTY, NOBODY)).isTrue();
        assertThat(Condition.isEmpty(WEEKS).not().holds(EMPTY, NOBODY)).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"ÅSBY,true", "sby,true", "SB,true", "asby,true", "%,false", "_,false"})
    void containsTakesLettersAlikeAndSignsAsTheyAre(String part, boolean holds) {
        assertThat(Condition.compare(NAME, Operator.CONTAINS, Value.of(part)).holds(named("Åsby"), NOBODY))
                .isEqualTo(holds);
    }

    @Test
    void equalsIsLetterForLetter() {
        assertThat(Condition.compare(NAME, Operator.EQUALS, Value.of("zoe")).holds(named("Zoe"), NOBODY)).isFalse();
    }

    @Test
    void numbersCompareAsNumbersWhateverTheirScale() {
        Row row = new Row(new RowId(1), Map.of(SUGAR, Value.of(new BigDecimal("1.50")), WEEKS, Value.of(2)));
        assertThat(Condition.oneOf(SUGAR, List.of(Value.of(new BigDecimal("1.5")))).holds(row, NOBODY)).isTrue();
        assertThat(Condition.compare(WEEKS, Operator.GREATER, Value.of(new BigDecimal("1.9"))).holds(row, NOBODY))
                .isTrue();
    }

    @Test
    void aDateBesideAMomentIsItsMidnight() {
        Row row = new Row(new RowId(1), Map.of(SEEN, Value.of(Cases.midnight())));
        assertThat(new Condition.Compare(SEEN, Operator.EQUALS, new Operand.Today(0)).holds(row, NOBODY)).isTrue();
        assertThat(new Condition.Compare(SEEN, Operator.LESS, new Operand.Today(1)).holds(row, NOBODY)).isTrue();
    }

    @Test
    void ownRowsAreThoseOfWhoeverLooks() {
        Condition own = new Condition.Compare(KEEPER, Operator.EQUALS, Operand.OfVisitor.EMAIL);
        Row row = new Row(new RowId(1), Map.of(KEEPER, Value.of("mira@example.org")));
        assertThat(own.holds(row, MIRA)).isTrue();
        assertThat(own.holds(row, Standpoint.of(new Onlooker("tomas@example.org", "", null), Cases.TODAY))).isFalse();
        assertThat(own.holds(row, NOBODY)).isFalse();
        assertThat(own.not().holds(row, NOBODY)).isTrue();
    }

    @Test
    void joiningAddsNothingToAlwaysAndFlattens() {
        Condition one = Condition.isEmpty(NAME);
        Condition other = Condition.isEmpty(PLANTED);
        assertThat(Condition.ALWAYS.and(one)).isEqualTo(one);
        assertThat(one.and(Condition.ALWAYS)).isEqualTo(one);
        assertThat(one.and(other).and(one)).isEqualTo(new Condition.All(List.of(one, other, one)));
    }

    @Test
    void onlyOperandsOfTheMomentMakeAConditionDependOnIt() {
        Condition fixed = Condition.isEmpty(NAME).and(Condition.compare(WEEKS, Operator.LESS, Value.of(3)));
        assertThat(fixed.dependsOnStandpoint()).isFalse();
        assertThat(new Condition.Any(List.of(fixed, new Condition.Compare(PLANTED, Operator.LESS,
                new Operand.Today(0)).not())).dependsOnStandpoint()).isTrue();
    }

    @Test
    void valuesOfDifferentKindsCannotBeCompared() {
        Condition odd = Condition.compare(NAME, Operator.LESS, Value.of(3));
        assertThatThrownBy(() -> odd.holds(named("x"), NOBODY)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("Cannot compare");
    }
}
