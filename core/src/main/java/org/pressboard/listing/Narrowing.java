package org.pressboard.listing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * How a visitor narrows one field: to any of some values, to a range with both ends in it, or to texts with some letters
 * in them or at their beginning; an end may be open, letters empty. A day at the end is in it whole, also where the field
 * has times of day.
 */
public record Narrowing(List<Value> values, @Nullable Value from, @Nullable Value to, String contains, String begins) {

    public static final Narrowing OPEN = toValues(List.of());

    public Narrowing {
        values = List.copyOf(values);
        contains = Objects.requireNonNullElse(contains, "");
        begins = Objects.requireNonNullElse(begins, "");
    }

    public static Narrowing toValues(List<Value> values) {
        return new Narrowing(values, null, null, "", "");
    }

    public static Narrowing toRange(@Nullable Value from, @Nullable Value to) {
        return new Narrowing(List.of(), from, to, "", "");
    }

    /** The same from one value to another. */
    public Narrowing between(@Nullable Value from, @Nullable Value to) {
        return new Narrowing(values, from, to, contains, begins);
    }

    /** The same with other letters. */
    public Narrowing lettered(String contained, String beginning) {
        return new Narrowing(values, from, to, contained, beginning);
    }

    private Narrowing with(List<Value> others) {
        return new Narrowing(others, from, to, contains, begins);
    }

    /** Both taken together; where only one of two can be said, what this says. */
    Narrowing join(Narrowing other) {
        List<Value> more = new ArrayList<>(values);
        other.values.stream().filter(value -> !more.contains(value)).forEach(more::add);
        return new Narrowing(more, from == null ? other.from : from, to == null ? other.to : to,
                contains.isEmpty() ? other.contains : contains, begins.isEmpty() ? other.begins : begins);
    }

    Narrowing withoutValue(Value value) {
        return with(values.stream().filter(v -> v.compareWith(value) != 0).toList());
    }

    boolean isEmptyRange() {
        return from != null && to != null && from.compareWith(to) > 0;
    }

    public boolean isOpen() {
        return equals(OPEN);
    }

    Condition condition(FieldKey field) {
        Condition picked = values.isEmpty() ? Condition.ALWAYS : Condition.oneOf(field, values);
        return picked.and(end(field, Operator.AT_LEAST, from))
                .and(to instanceof Value.Date(LocalDate day) ? end(field, Operator.LESS, Value.of(day.plusDays(1)))
                        : end(field, Operator.AT_MOST, to))
                .and(letters(field, Operator.CONTAINS, contains)).and(letters(field, Operator.BEGINS, begins));
    }

    private static Condition letters(FieldKey field, Operator operator, String letters) {
        return letters.isEmpty() ? Condition.ALWAYS : Condition.compare(field, operator, Value.of(letters));
    }

    private static Condition end(FieldKey field, Operator operator, @Nullable Value end) {
        return Optional.ofNullable(end).map(value -> Condition.compare(field, operator, value))
                .orElse(Condition.ALWAYS);
    }
}
