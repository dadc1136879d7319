package org.pressboard.table;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.Optional;
import java.util.Set;
import org.pressboard.condition.Operator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/** Kinds of field that hold a number. */
public sealed interface Numeric extends FieldType {

    /** More digits than amounts have are those of a code. */
    int MOST_DIGITS = 18;

    /** The number of a value, whole or decimal. */
    static BigDecimal number(Value value) {
        return switch (value) {
            case Value.Whole whole -> BigDecimal.valueOf(whole.number());
            case Value.Decimal decimal -> decimal.number();
            default -> throw new IllegalArgumentException("Not a number: " + value);
        };
    }

    private static Optional<BigDecimal> typed(String text, TypedForm language) {
        return language.number(text).filter(number -> number.precision() - number.scale() <= MOST_DIGITS);
    }

    private static Optional<Value> wholeTyped(String text, TypedForm language) {
        return typed(text, language).filter(number -> number.stripTrailingZeros().scale() <= 0)
                .map(number -> Value.of(number.longValueExact()));
    }

    /** A whole number of at most 18 digits; {@code grouped} where thousands are set apart: 3,376, but the year 1847. */
    record WholeNumber(boolean grouped) implements Numeric {
        @Override
        public Held held() {
            return Held.WHOLE;
        }

        @Override
        public Optional<Value> read(String text) {
            return PlainForm.whole(text);
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return wholeTyped(text, language);
        }

        @Override
        public String write(Value value, WrittenForm language) {
            return grouped ? language.number(number(value), 0) : PlainForm.write(value);
        }

        @Override
        public String code() {
            return "whole-number";
        }
    }

    /** A decimal number of any precision; {@code digits} is how many digits behind the mark are shown at most. */
    record Decimal(int digits) implements Numeric {
        private static final int MOST_SHOWN = 100;

        public Decimal {
            if (digits < 0 || digits > MOST_SHOWN) {
                throw new IllegalArgumentException("Digits behind the point must be 0 to " + MOST_SHOWN + ", not " + digits);
            }
        }

        @Override
        public String write(Value value, WrittenForm language) {
            return language.number(number(value), digits);
        }

        @Override
        public String code() {
            return "decimal";
        }
    }

    /** An amount of a currency, with at most the minor units that ISO 4217 gives it. */
    record Money(String currency) implements Numeric {
        public Money {
            Currency.getInstance(currency);
        }

        /** How many digits an amount has behind the mark. */
        public int digits() {
            return Math.max(0, Currency.getInstance(currency).getDefaultFractionDigits());
        }

        @Override
        public Optional<Value> read(String text) {
            return PlainForm.decimal(text).filter(this::isInMinorUnits);
        }

        /** With or without the currency's code or sign. */
        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            Currency own = Currency.getInstance(currency);
            String bare = text.replace(currency, "").replace(own.getSymbol(java.util.Locale.ROOT), "")
                    .replaceAll("\\p{Sc}", "");
            return typed(bare, language).map(number -> number.scale() < digits() ? number.setScale(digits()) : number)
                    .map(Value::of).filter(this::isInMinorUnits);
        }

        /** Whether an amount has no more digits behind the mark than the currency has. */
        public boolean isInMinorUnits(Value amount) {
            return number(amount).stripTrailingZeros().scale() <= digits();
        }

        @Override
        public String write(Value value, WrittenForm language) {
            return language.money(number(value), Currency.getInstance(currency));
        }

        @Override
        public String code() {
            return "money";
        }
    }

    /** So many of a hundred: 12.5 is written {@code 12.5%}; {@code digits} as for decimals. */
    record Percent(int digits) implements Numeric {
        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return typed(text.replace("%", ""), language).map(Value::of);
        }

        @Override
        public String write(Value value, WrittenForm language) {
            return language.percent(number(value), digits);
        }

        @Override
        public String code() {
            return "percent";
        }
    }

    /** So many marks out of the most there are. */
    record Rating(int most) implements Numeric {
        private static final int MOST_MARKS = 10;

        public Rating {
            if (most < 2 || most > MOST_MARKS) {
                throw new IllegalArgumentException("A rating has 2 to " + MOST_MARKS + " marks, not " + most);
            }
        }

        @Override
        public Held held() {
            return Held.WHOLE;
        }

        @Override
        public Optional<Value> read(String text) {
            return PlainForm.whole(text).filter(this::isOnScale);
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return wholeTyped(text, language).filter(this::isOnScale);
        }

        private boolean isOnScale(Value value) {
            return value instanceof Value.Whole(long marks) && marks >= 0 && marks <= most;
        }

        @Override
        public String write(Value value, WrittenForm language) {
            return language.number(number(value), 0);
        }

        @Override
        public String code() {
            return "rating";
        }
    }

    @Override
    default Held held() {
        return Held.DECIMAL;
    }

    @Override
    default Optional<Value> read(String text) {
        return PlainForm.decimal(text);
    }

    @Override
    default Optional<Value> readTyped(String text, TypedForm language) {
        return typed(text, language).map(Value::of);
    }

    @Override
    default Set<Operator> comparisons() {
        return Operator.OF_ORDER;
    }

    @Override
    default boolean hasRange() {
        return true;
    }

    /** The kind of an average: it has some digits more than what it is of. */
    static FieldType average(Numeric of) {
        return switch (of) {
            case Decimal decimal -> new Decimal(Math.min(100, decimal.digits() + 1));
            case Percent percent -> percent;
            case Money money -> money;
            case WholeNumber whole -> new Decimal(1);
            case Rating rating -> new Decimal(1);
        };
    }
}
