package org.pressboard.condition;

import java.util.Optional;
import org.pressboard.value.Folding;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/** Answers a condition for a row in memory. */
final class Evaluation {

    private Evaluation() {
    }

    static boolean of(Condition condition, Row row, Standpoint standpoint) {
        return switch (condition) {
            case Condition.All all -> all.parts().stream().allMatch(part -> of(part, row, standpoint));
            case Condition.Any any -> any.parts().stream().anyMatch(part -> of(part, row, standpoint));
            case Condition.Not not -> !of(not.part(), row, standpoint);
            case Condition.Empty empty -> row.find(empty.field()).isEmpty();
            case Condition.OneOf oneOf -> row.find(oneOf.field()).stream().flatMap(value -> value.each().stream())
                    .anyMatch(each -> oneOf.values().stream().anyMatch(wanted -> each.compareWith(wanted) == 0));
            case Condition.Between between -> between.ends().stream().allMatch(end -> of(end, row, standpoint));
            case Condition.Mentions mentions -> mentions.among().stream().anyMatch(field -> compare(
                    row.find(field), Operator.CONTAINS, Optional.of(Value.of(mentions.text()))));
            case Condition.Owned owned -> row.find(owned.by()).stream()
                    .flatMap(value -> value.each().stream()).anyMatch(standpoint.who()::owns);
            case Condition.Sent sent -> row.sender().equals(standpoint.who().browser());
            case Condition.Compare compare -> compare(row.find(compare.field()), compare.operator(),
                    compare.operand().resolve(standpoint));
        };
    }

    private static boolean compare(Optional<Value> left, Operator operator, Optional<Value> right) {
        if (operator == Operator.DIFFERS) {
            return !compare(left, Operator.EQUALS, right);
        }
        return right.isPresent() && left.stream().flatMap(value -> value.each().stream())
                .filter(each -> !(operator.isForText() && isNameless(each)))
                .anyMatch(each -> compare(each, operator, right.get()));
    }

    /** Rows that are called nothing have no letters to look at. */
    private static boolean isNameless(Value value) {
        return value instanceof Value.Referred referred && referred.heading().isEmpty();
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
            case Value.Referred(var row, String heading) -> Folding.fold(heading);
            default -> throw new IllegalArgumentException("Not a text: " + value);
        };
    }
}
