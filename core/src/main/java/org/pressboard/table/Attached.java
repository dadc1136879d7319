package org.pressboard.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.pressboard.condition.Operator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/** Kinds of field that hold files, whose content is kept beside the rows. */
public sealed interface Attached extends FieldType {

    /** One picture. */
    record Picture() implements Attached {
        @Override
        public String code() {
            return "picture";
        }
    }

    /** Several pictures in their order. */
    record Pictures() implements Attached {
        @Override
        public Held held() {
            return Held.FILES;
        }

        @Override
        public String code() {
            return "pictures";
        }
    }

    /** One file of whatever kind. */
    record File() implements Attached {
        @Override
        public String code() {
            return "file";
        }
    }

    /** Whether only pictures are taken. */
    default boolean isOfPictures() {
        return !(this instanceof File);
    }

    @Override
    default Held held() {
        return Held.FILE;
    }

    /** Of several, one to a line. */
    @Override
    default Optional<Value> read(String text) {
        List<Value> files = new ArrayList<>();
        text.lines().filter(line -> !line.isBlank()).map(PlainForm::attachment).forEach(files::add);
        if (files.isEmpty()) {
            return Optional.empty();
        }
        return isSeveral() ? Optional.of(new Value.Several(files))
                : Optional.of(files.getFirst()).filter(first -> files.size() == 1);
    }

    @Override
    default Optional<Value> readTyped(String text, TypedForm language) {
        return read(text.strip());
    }

    /** What the files are called. */
    @Override
    default String write(Value value, WrittenForm language) {
        return String.join(language.format().between(), names(value));
    }

    /** What the files of a value are called. */
    static List<String> names(Value value) {
        return value.each().stream().map(each -> each instanceof Value.Attachment attachment ? attachment.name()
                : PlainForm.write(each)).toList();
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
