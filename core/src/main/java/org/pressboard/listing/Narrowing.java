package org.pressboard.listing;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * How a visitor narrows one field: to any of some values, or to a range with both ends in it; an end may be open. A day
 * at the end is in it whole, also where the field has times of day.
 */
public record Narrowing(List<Value> values, @Nullable Value from, @Nullable Value to) {

    public Narrowing {
        values = List.copyOf(values);
    }

    public static Narrowing toValues(List<Value> values) {
        return new Narrowing(values, null, null);
    }

    Narrowing withValue(Value value) {
        List<Value> more = new java.util.ArrayList<>(values);
        if (!more.contains(value)) {
            more.add(value);
        }
        return new Narrowing(more, from, to);
    }

    Narrowing withoutValue(Value value) {
        return new Narrowing(values.stream().filter(v -> v.compareWith(value) != 0).toList(), from, to);
    }

    boolean isEmptyRange() {
        return from != null && to != null && from.compareWith(to) > 0;
    }

    boolean isOpen() {
        return values.isEmpty() && from == null && to == null;
    }

    Condition condition(FieldKey field) {
        Condition picked = values.isEmpty() ? Condition.ALWAYS : Condition.oneOf(field, values);
        return picked.and(end(field, Operator.AT_LEAST, from)).and(to instanceof Value.Date(LocalDate day)
                ? end(field, Operator.LESS, Value.of(day.plusDays(1))) : end(field, Operator.AT_MOST, to));
    }

    private static Condition end(FieldKey field, Operator operator, @Nullable Value end) {
        return Optional.ofNullable(end).map(value -> Condition.compare(field, operator, value))
                .orElse(Condition.ALWAYS);
    }
}
