package org.pressboard.value;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Arrays;

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

    /**
     * Less than, equal to or greater than zero, as this value comes before, with or after the other: numbers as
     * numbers, whatever their scale; a date as its midnight beside a moment; no before yes; texts by code point
     * (for the order in which people read texts see {@link TextOrder}).
     *
     * @throws IllegalArgumentException when the two are of kinds that cannot be compared
     */
    default int compareWith(Value other) {
        return switch (this) {
            case Text mine when other instanceof Text its ->
                    Arrays.compare(mine.text.codePoints().toArray(), its.text.codePoints().toArray());
            case YesNo mine when other instanceof YesNo its -> Boolean.compare(mine.yes, its.yes);
            case Whole mine when other instanceof Whole its -> Long.compare(mine.number, its.number);
            case Whole mine when other instanceof Decimal its -> BigDecimal.valueOf(mine.number).compareTo(its.number);
            case Decimal mine when other instanceof Whole its -> mine.number.compareTo(BigDecimal.valueOf(its.number));
            case Decimal mine when other instanceof Decimal its -> mine.number.compareTo(its.number);
            case Date mine when other instanceof Date its -> mine.day.compareTo(its.day);
            case Date mine when other instanceof Moment its -> mine.day.atStartOfDay().compareTo(its.at);
            case Moment mine when other instanceof Date its -> mine.at.compareTo(its.day.atStartOfDay());
            case Moment mine when other instanceof Moment its -> mine.at.compareTo(its.at);
            default -> throw new IllegalArgumentException("Cannot compare " + this + " with " + other);
        };
    }
}
