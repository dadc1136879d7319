package org.pressboard.value;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A typed value of a cell. Where there is none, it is {@code null}. */
public sealed interface Value {

    record Text(String text) implements Value {
    }

    record Whole(long number) implements Value {
    }

    record Decimal(BigDecimal number) implements Value {
    }

    record YesNo(boolean yes) implements Value {
    }

    record Date(LocalDate day) implements Value {
    }

    /** A day and a time of day, without a time zone. */
    record Moment(LocalDateTime at) implements Value {
    }

    /** A time of day. */
    record Time(LocalTime at) implements Value {
    }

    /**
     * A row of another table.
     *
     * @param row     by which it is told from others
     * @param heading what it is called there, as far as that was looked up and may be seen; else empty
     */
    record Referred(RowId row, String heading) implements Value {
    }

    /**
     * A file that is kept beside the rows.
     *
     * @param content the SHA-256 digest of its bytes in hexadecimal digits; empty: only its name is known so far
     * @param name    what it is called
     */
    record Attachment(String content, String name) implements Value {
        public Attachment {
            if (!content.matches("(?:[0-9a-f]{64})?") || name.isEmpty()) {
                throw new IllegalArgumentException("No file: " + content + "/" + name);
            }
        }

        public boolean isThere() {
            return !content.isEmpty();
        }
    }

    /** Several values of one kind in their order, each once; never none. */
    record Several(List<Value> values) implements Value {
        public Several {
            values = values.stream().distinct().toList();
            if (values.isEmpty()) {
                throw new IllegalArgumentException("No values at all are no value");
            }
        }

        /** All of these, where each is there and there is one at least; else nothing. */
        public static Optional<Value> ofAll(Stream<? extends Optional<? extends Value>> each) {
            List<? extends Optional<? extends Value>> all = each.toList();
            return all.isEmpty() || all.stream().anyMatch(Optional::isEmpty) ? Optional.empty()
                    : Optional.of(new Several(all.stream().<Value>map(Optional::orElseThrow).toList()));
        }
    }

    static Value of(String text) {
        return new Text(text);
    }

    static Value of(long number) {
        return new Whole(number);
    }

    static Value of(BigDecimal number) {
        return new Decimal(number);
    }

    static Value of(boolean yes) {
        return new YesNo(yes);
    }

    static Value of(LocalDate day) {
        return new Date(day);
    }

    static Value of(LocalDateTime at) {
        return new Moment(at);
    }

    static Value of(LocalTime at) {
        return new Time(at);
    }

    /** What one looks at to tell whether this is a value or has it: several values each, else itself. */
    default List<Value> each() {
        return this instanceof Several(List<Value> values) ? values : List.of(this);
    }

    /**
     * Less than, equal to or greater than zero, as this value comes before, with or after the other: numbers as
     * numbers, whatever their scale; a date as its midnight beside a moment; no before yes; texts by code point
     * (for the order in which people read texts see {@link TextOrder}); files by their plain form; rows referred to by
     * their number; several values one after the other.
     *
     * @throws IllegalArgumentException when the two are of kinds that cannot be compared
     */
    default int compareWith(Value other) {
        return switch (this) {
            case Text(String mine) -> other instanceof Text(String its)
                    ? Arrays.compare(mine.codePoints().toArray(), its.codePoints().toArray()) : apart(other);
            case YesNo(boolean mine) -> other instanceof YesNo(boolean its) ? Boolean.compare(mine, its) : apart(other);
            case Whole(long mine) -> switch (other) {
                case Whole(long its) -> Long.compare(mine, its);
                case Decimal(BigDecimal its) -> BigDecimal.valueOf(mine).compareTo(its);
                default -> apart(other);
            };
            case Decimal(BigDecimal mine) -> switch (other) {
                case Whole(long its) -> mine.compareTo(BigDecimal.valueOf(its));
                case Decimal(BigDecimal its) -> mine.compareTo(its);
                default -> apart(other);
            };
            case Date(LocalDate mine) -> other instanceof Moment(LocalDateTime its) ? mine.atStartOfDay().compareTo(its)
                    : other instanceof Date(LocalDate its) ? mine.compareTo(its) : apart(other);
            case Moment(LocalDateTime mine) -> other instanceof Date(LocalDate its) ? mine.compareTo(its.atStartOfDay())
                    : other instanceof Moment(LocalDateTime its) ? mine.compareTo(its) : apart(other);
            case Time(LocalTime mine) -> other instanceof Time(LocalTime its) ? mine.compareTo(its) : apart(other);
            case Referred mine -> other instanceof Referred its ? mine.row.compareTo(its.row) : apart(other);
            case Attachment mine -> other instanceof Attachment its
                    ? PlainForm.write(mine).compareTo(PlainForm.write(its)) : apart(other);
            case Several mine -> other instanceof Several its ? Arrays.compare(
                    mine.values.toArray(Value[]::new), its.values.toArray(Value[]::new), Value::compareWith) : apart(other);
        };
    }

    private int apart(Value other) {
        throw new IllegalArgumentException("Cannot compare " + this + " with " + other);
    }
}
