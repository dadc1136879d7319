package org.pressboard.condition;

import java.util.Optional;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/** Answers a condition for a row in memory. */
final class Evaluation {

    private Evaluation() {
    }

    static Truth of(Condition condition, Row row, Standpoint standpoint) {
        return switch (condition) {
            case Condition.All all -> all.parts().stream()
                    .map(part -> of(part, row, standpoint)).reduce(Truth.TRUE, Truth::and);
            case Condition.Any any -> any.parts().stream()
                    .map(part -> of(part, row, standpoint)).reduce(Truth.FALSE, Truth::or);
            case Condition.Not not -> of(not.part(), row, standpoint).not();
            case Condition.Empty empty -> Truth.of(row.find(empty.field()).isEmpty());
            case Condition.OneOf oneOf -> oneOf(oneOf, row.find(oneOf.field()));
            case Condition.Compare compare -> compare(row.find(compare.field()), compare.operator(),
                    compare.operand().resolve(standpoint));
        };
    }

    private static Truth oneOf(Condition.OneOf oneOf, Optional<Value> found) {
        if (oneOf.values().isEmpty()) {
            return Truth.FALSE;
        }
        return found.map(value -> Truth.of(oneOf.values().stream().anyMatch(v -> value.compareWith(v) == 0)))
                .orElse(Truth.UNKNOWN);
    }

    private static Truth compare(Optional<Value> left, Operator operator, Optional<Value> right) {
        if (left.isEmpty() || right.isEmpty()) {
            return Truth.UNKNOWN;
        }
        return Truth.of(compare(left.get(), operator, right.get()));
    }

    private static boolean compare(Value left, Operator operator, Value right) {
        return switch (operator) {
            case EQUALS -> left.compareWith(right) == 0;
            case DIFFERS -> left.compareWith(right) != 0;
            case LESS -> left.compareWith(right) < 0;
            case AT_MOST -> left.compareWith(right) <= 0;
            case GREATER -> left.compareWith(right) > 0;
            case AT_LEAST -> left.compareWith(right) >= 0;
            case CONTAINS -> lowerCase(left).contains(lowerCase(right));
            case BEGINS -> lowerCase(left).startsWith(lowerCase(right));
        };
    }

    /** Character by character, as PostgreSQL's ILIKE does: a letter never becomes two. */
    private static String lowerCase(Value value) {
        if (!(value instanceof Value.Text(String text))) {
            throw new IllegalArgumentException("Not a text: " + value);
        }
        StringBuilder lower = new StringBuilder(text.length());
        text.codePoints().map(Character::toLowerCase).forEach(lower::appendCodePoint);
        return lower.toString();
    }
}
