package org.pressboard.table;

import java.util.List;

/** What a field may hold. */
public sealed interface FieldType {

    /** A short text on one line. */
    record Text() implements FieldType {
    }

    /** Text of any length, with line breaks. */
    record LongText() implements FieldType {
    }

    /** A whole number of at most 18 digits; {@code grouped} where thousands are set apart: 3,376, but the year 1847. */
    record WholeNumber(boolean grouped) implements FieldType {
    }

    /** A decimal number of any precision; {@code digits} is how many digits behind the point are shown at most. */
    record Decimal(int digits) implements FieldType {
        private static final int MOST_DIGITS = 100;

        public Decimal {
            if (digits < 0 || digits > MOST_DIGITS) {
                throw new IllegalArgumentException("Digits behind the point must be 0 to " + MOST_DIGITS + ", not " + digits);
            }
        }
    }

    record YesNo() implements FieldType {
    }

    record Date() implements FieldType {
    }

    /** A day and a time of day as written on the spot, without a time zone. */
    record DateTime() implements FieldType {
    }

    record Email() implements FieldType {
    }

    /** An address on the web, {@code http} or {@code https}. */
    record Link() implements FieldType {
    }

    /** One of a few texts. */
    record Choice(List<String> options) implements FieldType {
        public Choice {
            options = List.copyOf(options);
        }
    }

    /** The name of a picture that is kept with the table. */
    record Picture() implements FieldType {
    }

    /** Whether the values are texts, so that words can be searched in them. */
    default boolean isText() {
        return switch (this) {
            case Text t -> true;
            case LongText t -> true;
            case Email t -> true;
            case Link t -> true;
            case Choice t -> true;
            case WholeNumber t -> false;
            case Decimal t -> false;
            case YesNo t -> false;
            case Date t -> false;
            case DateTime t -> false;
            case Picture t -> false;
        };
    }

    default boolean isNumber() {
        return this instanceof WholeNumber || this instanceof Decimal;
    }

    /** Whether a visitor may give a range of its values. */
    default boolean hasRange() {
        return isNumber() || this instanceof Date || this instanceof DateTime;
    }

    /** Whether sorting by such a field helps anybody. */
    default boolean isSortable() {
        return !(this instanceof LongText || this instanceof Picture || this instanceof Link);
    }

    /** Whether a visitor may pick values of it (as against giving a range). */
    default boolean hasFewValues() {
        return this instanceof Choice || this instanceof YesNo;
    }
}
