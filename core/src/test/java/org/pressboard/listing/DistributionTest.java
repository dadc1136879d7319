package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.condition.Cases;
import org.pressboard.value.Value;

class DistributionTest {

    private static final long SEED = 20_261_126;

    @ParameterizedTest
    @CsvSource({"3, 33", "0, 0", "-7, 1000", "1, 24", "999999, 123456789"})
    void wholeNumbersFallIntoStretchesOfRoundWidth(long least, long greatest) {
        List<Value> edges = Distribution.edges(Value.of(least), Value.of(greatest));
        long width = ((Value.Whole) edges.get(1)).number() - ((Value.Whole) edges.get(0)).number();
        assertThat(String.valueOf(width)).matches("[125]0*");
        assertThat(((Value.Whole) edges.getFirst()).number()).isLessThanOrEqualTo(least).isGreaterThan(least - width);
        assertThat(((Value.Whole) edges.getLast()).number()).isGreaterThan(greatest).isLessThanOrEqualTo(greatest + width);
        assertThat(Distribution.of(edges, Map.of()).bars()).hasSizeLessThanOrEqualTo(Distribution.MOST_BARS);
    }

    @Test
    void daysFallIntoDaysWeeksMonthsOrYears() {
        LocalDate day = LocalDate.of(2026, 3, 14);
        assertThat(Distribution.edges(Value.of(day), Value.of(day.plusDays(2)))).containsExactly(Value.of(day),
                Value.of(day.plusDays(1)), Value.of(day.plusDays(2)), Value.of(day.plusDays(3)));
        // a Monday
        assertThat(Distribution.edges(Value.of(day), Value.of(day.plusDays(60))).getFirst())
                .isEqualTo(Value.of(LocalDate.of(2026, 3, 9)));
        assertThat(Distribution.edges(Value.of(day), Value.of(day.plusDays(400)))).startsWith(Value.of(LocalDate.of(2026, 3, 1)),
                Value.of(LocalDate.of(2026, 4, 1)));
        assertThat(Distribution.edges(Value.of(LocalDate.of(1903, 5, 1)), Value.of(day))).startsWith(
                Value.of(LocalDate.of(1900, 1, 1))).hasSizeLessThanOrEqualTo(Distribution.MOST_BARS + 1);
    }

    @Test
    void barsTellTheirFirstAndLastValue() {
        Distribution spread = Distribution.of(List.of(Value.of(0L), Value.of(10L), Value.of(20L)), Map.of(2, 7L));
        assertThat(spread.bars()).containsExactly(new Distribution.Bar(Value.of(0L), Value.of(9L), 0),
                new Distribution.Bar(Value.of(10L), Value.of(19L), 7));
        assertThat(spread.most()).isEqualTo(7);
        assertThat(Distribution.NONE.most()).isZero();
    }

    @Test
    void whateverThereIsHasAPlace() {
        RandomGenerator random = Cases.random(SEED);
        for (int i = 0; i < 2_000; i++) {
            BigDecimal one = BigDecimal.valueOf(random.nextLong(-1_000_000, 1_000_000), random.nextInt(0, 5));
            BigDecimal other = one.add(BigDecimal.valueOf(random.nextLong(0, 1_000_000), random.nextInt(0, 5)));
            List<Value> edges = Distribution.edges(Value.of(one), Value.of(other));
            assertThat(((Value.Decimal) edges.getFirst()).number()).as("seed %d", SEED).isLessThanOrEqualTo(one);
            assertThat(((Value.Decimal) edges.getLast()).number()).isGreaterThan(other);
            assertThat(edges).hasSizeLessThanOrEqualTo(Distribution.MOST_BARS + 1);
        }
    }
}
