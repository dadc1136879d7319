package org.pressboard.value;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A row: what identifies it in its table, and the values it has; a field without a value is not in it.
 *
 * @param sender whoever sent it from a page, where that is asked; empty: nobody, or it is not
 */
public record Row(RowId id, Map<FieldKey, Value> values, String sender) {

    public Row {
        values = Map.copyOf(values);
    }

    public Row(RowId id, Map<FieldKey, Value> values) {
        this(id, values, "");
    }

    /** A row of these values, absent ones left out. */
    public static Row of(RowId id, Map<FieldKey, @Nullable Value> values) {
        Map<FieldKey, Value> present = new HashMap<>();
        values.forEach((key, value) -> {
            if (value != null) {
                present.put(key, value);
            }
        });
        return new Row(id, present);
    }

    public Optional<Value> find(FieldKey key) {
        return Optional.ofNullable(values.get(key));
    }

    public @Nullable Value get(FieldKey key) {
        return values.get(key);
    }
}
