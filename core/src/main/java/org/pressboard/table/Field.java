package org.pressboard.table;

/** A field of a table. The label is what people read and may change; the key never does. */
public record Field(FieldKey key, String label, FieldType type) {

    public Field {
        if (label.isBlank()) {
            throw new IllegalArgumentException("The field " + key + " needs a label");
        }
    }
}
