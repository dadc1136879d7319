package org.pressboard.table;

import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.condition.Operator;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/** Kinds of field that point to a row of a table. */
public sealed interface Referring extends FieldType {

    /** What becomes of the rows that point to one that is removed. */
    enum OnRemoval {
        /** The row cannot be removed as long as one points to it. */
        REFUSE,
        /** They point to nothing then. */
        CLEAR,
        /** They are removed along. */
        REMOVE_ALONG
    }

    /** The table to whose rows it points. */
    TableKey to();

    OnRemoval onRemoval();

    /** One row of a table. */
    record Reference(TableKey to, OnRemoval onRemoval) implements Referring {
        @Override
        public String code() {
            return "reference";
        }
    }

    /** One row of the members' table. */
    record Person(TableKey to, OnRemoval onRemoval) implements Referring {
        @Override
        public String code() {
            return "person";
        }
    }

    /** Several rows of a table in their order. */
    record References(TableKey to, OnRemoval onRemoval) implements Referring {
        @Override
        public Held held() {
            return Held.ROWS;
        }

        /** By their numbers, one to a line. */
        @Override
        public Optional<Value> read(String text) {
            return Value.Several.ofAll(text.lines().filter(line -> !line.isBlank()).map(Referring::row));
        }

        @Override
        public boolean isSortable() {
            return false;
        }

        @Override
        public String code() {
            return "references";
        }
    }

    @Override
    default Held held() {
        return Held.ROW;
    }

    /** By the row's number. */
    @Override
    default Optional<Value> read(String text) {
        return row(text);
    }

    private static Optional<Value> row(String number) {
        return RowId.read(number.strip()).map(row -> new Value.Referred(row, ""));
    }

    @Override
    default Optional<Value> readTyped(String text, TypedForm language) {
        return read(text.strip());
    }

    /** What the row is called, never its number. */
    @Override
    default String write(Value value, WrittenForm language) {
        return value.each().stream().map(each -> each instanceof Value.Referred referred ? referred.heading()
                : PlainForm.write(each)).collect(Collectors.joining(language.format().between()));
    }

    @Override
    default Set<Operator> comparisons() {
        return Operator.OF_LIKENESS;
    }

    /** By what the row is called. */
    @Override
    default boolean isText() {
        return true;
    }
}
