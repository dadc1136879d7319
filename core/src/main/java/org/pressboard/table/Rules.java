package org.pressboard.table;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.Problem;
import org.pressboard.value.Value;

/**
 * What is asked of the values of a field besides their kind.
 *
 * @param required whether every row must have one
 * @param unique   whether no two rows may have the same
 * @param least    the least it may be, of what has an order; {@code null}: any
 * @param greatest the greatest it may be
 * @param shape    how texts must look
 */
public record Rules(boolean required, boolean unique, @Nullable Value least, @Nullable Value greatest, Shape shape) {

    public static final Rules NONE = new Rules(false, false, null, null, Shape.ANY);

    public Rules requiring(boolean isRequired) {
        return new Rules(isRequired, unique, least, greatest, shape);
    }

    public Rules differing(boolean isUnique) {
        return new Rules(required, isUnique, least, greatest, shape);
    }

    /** What is wrong with a value, apart from being there already in another row. */
    public Optional<Problem> check(@Nullable Value value) {
        if (value == null) {
            return required ? Optional.of(Problem.of("entry.required")) : Optional.empty();
        }
        if (least != null && value.compareWith(least) < 0) {
            return Optional.of(Problem.of("entry.too-small", least));
        }
        if (greatest != null && value.compareWith(greatest) > 0) {
            return Optional.of(Problem.of("entry.too-great", greatest));
        }
        return value instanceof Value.Text(String text) ? shape.check(text) : Optional.empty();
    }
}
