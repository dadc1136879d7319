package org.pressboard.table;

import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.pressboard.value.Folding;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;

/**
 * How values of one kind become values of another: whatever the one's plain form says is read as the other reads what is
 * typed. Nothing is cut off: a moment becomes a date only where it is midnight.
 *
 * @param rows the rows that references may point to, by what they are called, folded
 */
public record Conversion(FieldType from, FieldType to, Map<String, RowId> rows) {

    private static final TypedForm PLAIN = TypedForm.of(Locale.ROOT);

    /** @param value one of the former kind; of references, what the row is called */
    public Optional<Value> convert(Value value) {
        if (to instanceof Temporal.Date && value instanceof Value.Moment(java.time.LocalDateTime at)) {
            return at.toLocalTime().equals(LocalTime.MIDNIGHT) ? Optional.of(Value.of(at.toLocalDate()))
                    : Optional.empty();
        }
        String text = from instanceof Attached && !(to instanceof Attached)
                ? String.join(PlainForm.BETWEEN, Attached.names(value)) : PlainForm.write(value);
        if (to instanceof Referring) {
            return to.isSeveral() ? rows(value, text) : row(text);
        }
        return to instanceof Textual textual ? textual.readTyped(text, PLAIN)
                : to.read(text).filter(read -> !(to instanceof Chosen)).or(() -> to.readTyped(text, PLAIN));
    }

    private Optional<Value> row(String name) {
        return Optional.ofNullable(rows.get(Folding.fold(name.strip()))).map(row -> new Value.Referred(row, name));
    }

    /** A name as it stands, or several with marks between them. */
    private Optional<Value> rows(Value value, String text) {
        Optional<Value> whole = value instanceof Value.Several ? Optional.empty() : row(text);
        return whole.<Value>map(row -> new Value.Several(List.of(row)))
                .or(() -> Value.Several.ofAll(PlainForm.parts(text).stream().map(this::row)));
    }
}
