package org.pressboard.table;

/** A table of the owner's: rows with typed fields. */
public record Table(TableKey key, String label, Fields fields) {

    public Table {
        if (label.isBlank()) {
            throw new IllegalArgumentException("The table " + key + " needs a label");
        }
    }

    /** @throws NoSuchField when the table has no such field */
    public Field field(FieldKey key) {
        return fields.get(key);
    }
}
