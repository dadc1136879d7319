package org.pressboard.table;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * A field of a table. The label is what people read and may change; the key never does.
 *
 * @param computed how its values are worked out; {@code null} where somebody enters them
 * @param start    what a new row has in it before anybody says otherwise; {@code null}: nothing
 * @param help     what those who fill it in are told; may be empty
 * @param unit     what stands behind each value, such as {@code kg}; may be empty
 * @param hidden   whether the desk's list of rows leaves it out
 * @param open     of what comes from rows of another table: whether all who see the row see it, also those who may not
 *                 see the row that it comes from
 */
public record Field(FieldKey key, String label, FieldType type, @Nullable Computed computed, Rules rules,
                    @Nullable Operand start, String help, String unit, boolean hidden, boolean open) {

    public static final int LONGEST_LABEL = 100;

    public Field {
        if (label.isBlank()) {
            throw new IllegalArgumentException("The field " + key + " needs a label");
        }
    }

    /** A field that people fill in as they like. */
    public Field(FieldKey key, String label, FieldType type) {
        this(key, label, type, null, Rules.NONE, null, "", "", false, false);
    }

    /** What a table begins with that has nothing yet: a text by which its rows are known. */
    public static Field first(String label) {
        return new Field(new FieldKey("name"), label, new Textual.Text());
    }

    /** A field that is worked out; its type follows from what it is worked out of (see {@link Tables}). */
    public static Field computed(FieldKey key, String label, Computed computed) {
        return new Field(key, label, new Textual.Text(), computed, Rules.NONE, null, "", "", false, false);
    }

    public Optional<Computed> computing() {
        return Optional.ofNullable(computed);
    }

    public boolean isEntered() {
        return computed == null;
    }

    /** Whether the table in the database has a column for it: what is entered, and tallies, which are kept up to date. */
    public boolean isColumn() {
        return computed == null || (computed instanceof Computed.Tally tally && !tally.ofSeen());
    }

    /** Whether it is a column of texts, in which words can be looked for. */
    public boolean isSearchable() {
        return isColumn() && type.isText() && !(type instanceof Referring);
    }

    public Field labelled(String other) {
        return new Field(key, other, type, computed, rules, start, help, unit, hidden, open);
    }

    public Field of(FieldType other) {
        return new Field(key, label, other, computed, rules, start, help, unit, hidden, open);
    }

    public Field with(Rules others) {
        return new Field(key, label, type, computed, others, start, help, unit, hidden, open);
    }

    public Field starting(@Nullable Operand with) {
        return new Field(key, label, type, computed, rules, with, help, unit, hidden, open);
    }

    public Field explained(String otherHelp, String otherUnit) {
        return new Field(key, label, type, computed, rules, start, otherHelp, otherUnit, hidden, open);
    }

    /** The same, seen by all who see the row, whatever they may see of the one it comes from; or not so. */
    public Field opened(boolean toAll) {
        return new Field(key, label, type, computed, rules, start, help, unit, hidden, toAll);
    }

    /** What it begins with in a new row; empty: nothing. */
    public Optional<Value> begun(Standpoint standpoint) {
        return Optional.ofNullable(start).flatMap(with -> given(with, standpoint));
    }

    /** What these begin with in a new row, of those that begin with something. */
    public static Map<FieldKey, Value> begun(Collection<Field> fields, Standpoint standpoint) {
        Map<FieldKey, Value> begun = new HashMap<>();
        fields.forEach(field -> field.begun(standpoint).ifPresent(value -> begun.put(field.key, value)));
        return begun;
    }

    /** What it is set to, or begins with, by an operand: a moment where a moment is kept; empty where there is nothing. */
    public Optional<Value> given(Operand operand, Standpoint standpoint) {
        if (type.held() != FieldType.Held.MOMENT) {
            return operand.resolve(standpoint);
        }
        return operand.equals(new Operand.Today(0)) ? Optional.of(Value.of(standpoint.moment()))
                : operand.resolve(standpoint).map(value -> value instanceof Value.Date(LocalDate day) ? Value.of(day.atStartOfDay()) : value);
    }
}
