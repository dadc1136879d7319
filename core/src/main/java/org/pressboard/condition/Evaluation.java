package org.pressboard.condition;

import java.util.Optional;
import org.pressboard.value.Folding;
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
            case Condition.Mentions mentions -> Truth.of(mentions.among().stream().anyMatch(field -> compare(
                    row.find(field), Operator.CONTAINS, Optional.of(Value.of(mentions.text()))) == Truth.TRUE));
            case Condition.Owned owned -> Truth.of(row.find(owned.by()).stream()
                    .flatMap(value -> value.each().stream()).anyMatch(standpoint.who()::owns));
            case Condition.Sent sent -> Truth.of(row.sender().equals(standpoint.who().browser()));
            case Condition.Compare compare -> compare(row.find(compare.field()), compare.operator(),
                    compare.operand().resolve(standpoint));
        };
    }

    private static Truth oneOf(Condition.OneOf oneOf, Optional<Value> found) {
        if (oneOf.values().isEmpty()) {
            return Truth.FALSE;
        }
        return found.map(value -> Truth.of(value.each().stream().anyMatch(each -> oneOf.values().stream()
                .anyMatch(wanted -> each.compareWith(wanted) == 0)))).orElse(Truth.UNKNOWN);
    }

    private static Truth compare(Optional<Value> left, Operator operator, Optional<Value> right) {
        if (left.isEmpty() || right.isEmpty() || (operator.isForText() && isNameless(left.get()))) {
            return Truth.UNKNOWN;
        }
        return Truth.of(compareEach(left.get(), operator, right.get()));
    }

    /** Rows that are called nothing have no letters to look at. */
    private static boolean isNameless(Value value) {
        return value.each().stream()
                .allMatch(each -> each instanceof Value.Referred referred && referred.heading().isEmpty());
    }

    /** Of several values, one must meet the operator; to differ, none may be the other. */
    private static boolean compareEach(Value left, Operator operator, Value right) {
        return operator == Operator.DIFFERS ? !compareEach(left, Operator.EQUALS, right)
                : left.each().stream().anyMatch(each -> compare(each, operator, right));
    }

    private static boolean compare(Value left, Operator operator, Value right) {
        return switch (operator) {
            case EQUALS -> left.compareWith(right) == 0;
            case DIFFERS -> left.compareWith(right) != 0;
            case LESS -> left.compareWith(right) < 0;
            case AT_MOST -> left.compareWith(right) <= 0;
            case GREATER -> left.compareWith(right) > 0;
            case AT_LEAST -> left.compareWith(right) >= 0;
            case CONTAINS -> folded(left).contains(folded(right));
            case BEGINS -> folded(left).startsWith(folded(right));
        };
    }

    private static String folded(Value value) {
        return switch (value) {
            case Value.Text(String itself) -> Folding.fold(itself);
            case Value.Referred(long row, String heading) -> Folding.fold(heading);
            default -> throw new IllegalArgumentException("Not a text: " + value);
        };
    }
}
