package org.pressboard.table;

import java.util.Optional;
import java.util.Set;
import org.pressboard.condition.Operator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/** Kinds of field that hold a day, a time, or both. */
public sealed interface Temporal extends FieldType {

    record Date() implements Temporal {
        @Override
        public Held held() {
            return Held.DATE;
        }

        @Override
        public Optional<Value> read(String text) {
            return PlainForm.date(text);
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return language.date(text);
        }

        @Override
        public String code() {
            return "date";
        }
    }

    /** A day and a time of day as the clocks of the site's place show it. */
    record DateTime() implements Temporal {
        @Override
        public Held held() {
            return Held.MOMENT;
        }

        @Override
        public Optional<Value> read(String text) {
            return PlainForm.moment(text);
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return language.moment(text);
        }

        @Override
        public String code() {
            return "date-time";
        }
    }

    record TimeOfDay() implements Temporal {
        @Override
        public Held held() {
            return Held.TIME;
        }

        @Override
        public Optional<Value> read(String text) {
            return PlainForm.time(text);
        }

        @Override
        public Optional<Value> readTyped(String text, TypedForm language) {
            return language.time(text);
        }

        @Override
        public String code() {
            return "time";
        }
    }

    @Override
    default String write(Value value, WrittenForm language) {
        return switch (value) {
            case Value.Date date -> language.date(date.day());
            case Value.Moment moment -> language.moment(moment.at());
            case Value.Time time -> language.time(time.at());
            default -> PlainForm.write(value);
        };
    }

    @Override
    default Set<Operator> comparisons() {
        return Operator.OF_ORDER;
    }

    @Override
    default boolean hasRange() {
        return true;
    }
}
