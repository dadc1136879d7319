package org.pressboard.table;

import java.util.Optional;
import java.util.Set;
import org.pressboard.condition.Operator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/** Kinds of field that hold what is kept beside the rows. */
public sealed interface Attached extends FieldType {

    /** The name of a picture that is kept with the table. */
    record Picture() implements Attached {
        @Override
        public String code() {
            return "picture";
        }
    }

    @Override
    default Held held() {
        return Held.TEXT;
    }

    @Override
    default Optional<Value> read(String text) {
        return Optional.of(Value.of(text));
    }

    @Override
    default Optional<Value> readTyped(String text, TypedForm language) {
        return Optional.of(Value.of(text.strip()));
    }

    @Override
    default String write(Value value, WrittenForm language) {
        return PlainForm.write(value);
    }

    @Override
    default Set<Operator> comparisons() {
        return Operator.OF_LIKENESS;
    }

    @Override
    default boolean isSortable() {
        return false;
    }
}
