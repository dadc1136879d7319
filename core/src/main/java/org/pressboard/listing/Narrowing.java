package org.pressboard.listing;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.table.FieldKey;
import org.pressboard.value.Value;

/** How a visitor narrows one field: to any of some values, or to a range with both ends in it; an end may be open. */
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
        return new Narrowing(values.stream().filter(v -> !v.equals(value)).toList(), from, to);
    }

    boolean isOpen() {
        return values.isEmpty() && from == null && to == null;
    }

    Condition condition(FieldKey field) {
        Condition picked = values.isEmpty() ? Condition.ALWAYS : Condition.oneOf(field, values);
        return picked.and(end(field, Operator.AT_LEAST, from)).and(end(field, Operator.AT_MOST, to));
    }

    private static Condition end(FieldKey field, Operator operator, @Nullable Value end) {
        return Optional.ofNullable(end).map(value -> Condition.compare(field, operator, value))
                .orElse(Condition.ALWAYS);
    }
}
