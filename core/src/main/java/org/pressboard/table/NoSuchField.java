package org.pressboard.table;

import org.pressboard.value.FieldKey;

/** A field was asked for that the table does not have. */
public final class NoSuchField extends RuntimeException {

    private final transient FieldKey key;

    NoSuchField(FieldKey key, Fields fields) {
        super("No field \"" + key + "\"; the table has " + fields.stream().map(Field::key).toList());
        this.key = key;
    }

    public FieldKey key() {
        return key;
    }
}
