package org.pressboard.condition;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.Optional;
import org.pressboard.value.Value;

/** What a field is compared with. */
public sealed interface Operand {

    /** A value that never changes. */
    record Fixed(Value value) implements Operand {
    }

    /** The e-mail address of whoever looks; absent for those who are not signed in. */
    record OfVisitor() implements Operand {
    }

    /** What the page is called, or its address; absent where a condition stands on none. */
    record OfPage(PagePart part) implements Operand {
    }

    /** What there is to a page. */
    enum PagePart { TITLE, ADDRESS }

    /** Today, so many days on (negative: back). */
    record Today(int daysOn) implements Operand {
    }

    /** The first day of the week (a Monday, as ISO 8601 has it), month or year that today is in, so many of them on. */
    record Beginning(Span span, int on) implements Operand {
    }

    /** Stretches of days. */
    enum Span {
        WEEK, MONTH, YEAR;

        /** The first day of the stretch that the day is in, so many stretches on. */
        public LocalDate beginning(LocalDate day, int on) {
            return switch (this) {
                case WEEK -> day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)).plusWeeks(on);
                case MONTH -> day.withDayOfMonth(1).plusMonths(on);
                case YEAR -> day.withDayOfYear(1).plusYears(on);
            };
        }
    }

    /** The value it stands for; empty where there is none. */
    default Optional<Value> resolve(Standpoint standpoint) {
        return switch (this) {
            case Fixed fixed -> Optional.of(fixed.value);
            case OfVisitor ofVisitor -> standpoint.visitorEmail().map(Value::of);
            case OfPage ofPage -> Optional.empty();
            case Beginning beginning ->
                    Optional.of(Value.of(beginning.span.beginning(standpoint.today(), beginning.on)));
            case Today today -> Optional.of(Value.of(standpoint.today().plusDays(today.daysOn)));
        };
    }
}
