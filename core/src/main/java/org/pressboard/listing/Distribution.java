package org.pressboard.listing;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.pressboard.value.Value;

/**
 * How the values of numbers or days are distributed: stretches of the same width at round figures, each with the number of rows
 * whose value is in it.
 */
public record Distribution(List<Bar> bars) {

    public static final Distribution NONE = new Distribution(List.of());

    /** More bars could not be told apart. */
    static final int MOST_BARS = 32;

    private static final int SOME_BARS = 24;
    private static final int DAYS_OF_MONTHS = 900;

    /**
     * A stretch.
     *
     * @param from its first value
     * @param to   its last; of numbers with digits, where the next begins
     */
    public record Bar(Value from, Value to, long rows) {
    }

    public Distribution {
        bars = List.copyOf(bars);
    }

    public long most() {
        return bars.stream().mapToLong(Bar::rows).max().orElse(0);
    }

    /**
     * Where stretches begin that have room for these values, and last where one more would.
     *
     * @param least    a number or a day
     * @param greatest one of the same kind
     */
    public static List<Value> edges(Value least, Value greatest) {
        return switch (least) {
            case Value.Date(LocalDate first) -> ofDays(first, ((Value.Date) greatest).day());
            case Value.Whole(long first) -> ofNumbers(BigDecimal.valueOf(first),
                    BigDecimal.valueOf(((Value.Whole) greatest).number()), true);
            case Value.Decimal(BigDecimal first) -> ofNumbers(first, ((Value.Decimal) greatest).number(), false);
            default -> throw new IllegalArgumentException("Neither a number nor a day: " + least);
        };
    }

    /** @param rows how many rows are in each stretch, counted from 1 */
    public static Distribution of(List<Value> edges, Map<Integer, Long> rows) {
        List<Bar> bars = new ArrayList<>();
        for (int i = 0; i + 1 < edges.size(); i++) {
            bars.add(new Bar(edges.get(i), last(edges.get(i + 1)), rows.getOrDefault(i + 1, 0L)));
        }
        return new Distribution(bars);
    }

    private static Value last(Value next) {
        return switch (next) {
            case Value.Date(LocalDate day) -> Value.of(day.minusDays(1));
            case Value.Whole(long number) -> Value.of(number - 1);
            default -> next;
        };
    }

    private static List<Value> ofNumbers(BigDecimal first, BigDecimal last, boolean whole) {
        BigDecimal step = step(last.subtract(first).divide(BigDecimal.valueOf(SOME_BARS), MathContext.DECIMAL64), whole);
        BigDecimal edge = first.divide(step, 0, RoundingMode.FLOOR).multiply(step);
        List<Value> edges = new ArrayList<>();
        while (edge.compareTo(last) <= 0) {
            edges.add(value(edge, whole));
            edge = edge.add(step);
        }
        edges.add(value(edge, whole));
        return edges;
    }

    private static Value value(BigDecimal number, boolean whole) {
        return whole ? Value.of(number.longValue()) : Value.of(number);
    }

    /** The next of 1, 2 and 5 with noughts behind or before. */
    private static BigDecimal step(BigDecimal rough, boolean whole) {
        if (rough.signum() == 0) {
            return BigDecimal.ONE;
        }
        int power = rough.precision() - rough.scale() - 1;
        BigDecimal unit = BigDecimal.ONE.scaleByPowerOfTen(power);
        BigDecimal step = List.of(1, 2, 5, 10).stream().map(times -> unit.multiply(BigDecimal.valueOf(times)))
                .filter(each -> each.compareTo(rough) >= 0).findFirst().orElseThrow();
        return whole ? step.max(BigDecimal.ONE) : step;
    }

    private static List<Value> ofDays(LocalDate first, LocalDate last) {
        long days = ChronoUnit.DAYS.between(first, last) + 1;
        if (days < MOST_BARS) {
            return stretches(first, last, 1, ChronoUnit.DAYS);
        }
        if (days <= SOME_BARS * 7) {
            return stretches(first.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)), last, 1, ChronoUnit.WEEKS);
        }
        if (days <= DAYS_OF_MONTHS) {
            return stretches(first.withDayOfMonth(1), last, 1, ChronoUnit.MONTHS);
        }
        int years = step(BigDecimal.valueOf(days / 365.2425 / SOME_BARS), true).intValueExact();
        int year = Math.floorDiv(first.getYear(), years) * years;
        return stretches(LocalDate.of(year, 1, 1), last, years, ChronoUnit.YEARS);
    }

    private static List<Value> stretches(LocalDate first, LocalDate last, int step, ChronoUnit unit) {
        List<Value> edges = new ArrayList<>();
        int number = 0;
        LocalDate edge = first;
        while (!edge.isAfter(last)) {
            edges.add(Value.of(edge));
            number++;
            edge = first.plus((long) number * step, unit);
        }
        edges.add(Value.of(edge));
        return edges;
    }
}
