package org.pressboard.table;

import java.util.Set;
import org.pressboard.value.Names;

/** Names a table for good; also the name of its table in the database. Lower-case letters, digits and underscores. */
public record TableKey(String name) {

    public TableKey {
        if (!Names.isValid(name)) {
            throw new IllegalArgumentException("Not a table key: \"" + name + "\"");
        }
    }

    /** A readable key for a table with this label that differs from the taken ones. */
    public static TableKey from(String label, Set<String> taken) {
        return new TableKey(Names.unique(Names.from(label, "_", "table"), "_", taken));
    }

    @Override
    public String toString() {
        return name;
    }
}
