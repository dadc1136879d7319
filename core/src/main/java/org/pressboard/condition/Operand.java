package org.pressboard.condition;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * What a field is compared with, is set to or begins with. Where one can be chosen, and what of, is for
 * {@link org.pressboard.table.Operands} to say.
 */
public sealed interface Operand {

    /** Of what of a {@link Standpoint} an operand is taken; see {@link #source}. */
    enum Origin { VISITOR, CLOCK, PAGE, OPEN, DIAL, REFERRED }

    /** A value that never changes. */
    record Fixed(Value value) implements Operand {
    }

    /**
     * Something of whoever looks; absent for those who are not signed in, or have nothing there.
     *
     * @param field of {@link VisitorPart#FIELD}, which one of their row among the members
     */
    record OfVisitor(VisitorPart part, @Nullable FieldKey field) implements Operand {

        /** Their e-mail address. */
        public static final OfVisitor EMAIL = new OfVisitor(VisitorPart.EMAIL, null);

        /** What they are called. */
        public static final OfVisitor NAME = new OfVisitor(VisitorPart.NAME, null);

        /** Their row among the members. */
        public static final OfVisitor ROW = new OfVisitor(VisitorPart.ROW, null);

        public OfVisitor {
            part = Objects.requireNonNullElse(part, VisitorPart.EMAIL);
        }

        public static OfVisitor of(FieldKey field) {
            return new OfVisitor(VisitorPart.FIELD, field);
        }
    }

    /** What there is to whoever looks: their e-mail address, their name, their row among the members, a field of it. */
    enum VisitorPart { EMAIL, NAME, ROW, FIELD }

    /** What the page is called, or its address; absent where a condition stands on none. */
    record OfPage(PagePart part) implements Operand {
    }

    /** What there is to a page. */
    enum PagePart { TITLE, ADDRESS }

    /**
     * A field of another row, to which a reference of the row at hand leads, such as what is suggested for the tree that
     * somebody picked; absent where it is not known which row that is.
     */
    record OfReferred(FieldKey way) implements Operand {
    }

    /** A field of the row that is open, or that a button is pressed at; absent where none is. */
    record OfOpen(FieldKey field) implements Operand {
    }

    /** What a dial of the page is set to; absent where it is set to nothing. */
    record Dial(String name) implements Operand {
    }

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

    /** Of what it is taken; empty: of nothing, it never changes. */
    default Optional<Origin> origin() {
        return switch (this) {
            case Fixed fixed -> Optional.empty();
            case OfVisitor ofVisitor -> Optional.of(Origin.VISITOR);
            case OfPage ofPage -> Optional.of(Origin.PAGE);
            case OfReferred ofReferred -> Optional.of(Origin.REFERRED);
            case OfOpen ofOpen -> Optional.of(Origin.OPEN);
            case Dial dial -> Optional.of(Origin.DIAL);
            case Today today -> Optional.of(Origin.CLOCK);
            case Beginning beginning -> Optional.of(Origin.CLOCK);
        };
    }

    /** The value it stands for; empty where there is none. */
    default Optional<Value> resolve(Standpoint standpoint) {
        return switch (this) {
            case Fixed fixed -> Optional.of(fixed.value);
            case OfVisitor ofVisitor -> standpoint.who().part(ofVisitor);
            case OfPage ofPage -> standpoint.page(ofPage.part);
            case OfReferred ofReferred -> Optional.ofNullable(standpoint.referred().get(ofReferred.way));
            case OfOpen ofOpen -> standpoint.open(ofOpen.field);
            case Dial dial -> standpoint.dial(dial.name);
            case Beginning beginning ->
                    Optional.of(Value.of(beginning.span.beginning(standpoint.today(), beginning.on)));
            case Today today -> Optional.of(Value.of(standpoint.today().plusDays(today.daysOn)));
        };
    }
}
