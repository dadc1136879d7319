package org.pressboard.editing;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.pressboard.table.Field;
import org.pressboard.value.Value;

/**
 * What a field has, of which whoever changes it may not see all. What they do not see they cannot have taken away: it stays
 * where there is room for several. Nor are they told of it when somebody else has changed the same.
 */
record SeenPart(Field field, Optional<Value> all, List<Value> unseen) {

    /** @param was what they began with, which they know */
    static SeenPart of(Hand hand, Field field, Optional<Value> all, Optional<Value> was) {
        List<Value> known = was.map(Value::each).orElse(List.of());
        return new SeenPart(field, all, all.stream().flatMap(value -> hand.unseen(field, value).stream())
                .filter(each -> known.stream().noneMatch(it -> it.compareWith(each) == 0)).toList());
    }

    Optional<Value> seen() {
        return unseen.isEmpty() ? all : all.filter(value -> field.type().isSeveral()).flatMap(value ->
                several(value.each().stream().filter(each -> !unseen.contains(each))));
    }

    /** That value with what is not seen still there, unless there is room for one alone. */
    Optional<Value> with(Optional<Value> given) {
        return unseen.isEmpty() || !field.type().isSeveral() ? given
                : several(Stream.concat(given.stream().flatMap(value -> value.each().stream()), unseen.stream()));
    }

    private static Optional<Value> several(Stream<Value> values) {
        return Value.Several.ofAll(values.map(Optional::of));
    }
}
