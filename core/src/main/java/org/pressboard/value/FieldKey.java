package org.pressboard.value;

import java.util.Set;

/**
 * Names a field of a table for good, whatever its label becomes; also the name of its column in the database.
 * Lower-case letters, digits and underscores.
 */
public record FieldKey(String name) implements Comparable<FieldKey> {

    /** Columns that every hosted table has besides its fields. */
    public static final Set<String> RESERVED = Set.of("row_id", "added_at", "added_by", "changed_at", "changed_by",
            "search_text",
            // names that PostgreSQL gives to columns of its own
            "tableoid", "xmin", "cmin", "xmax", "cmax", "ctid");

    public FieldKey {
        if (!Names.isValid(name) || RESERVED.contains(name)) {
            throw new IllegalArgumentException("Not a field key: \"" + name + "\"");
        }
    }

    /** A readable key for a field with this label that differs from the taken ones. */
    public static FieldKey from(String label, Set<String> taken) {
        String name = Names.from(label, "_", "field");
        String free = RESERVED.contains(name) ? name + "_2" : name;
        return new FieldKey(Names.unique(free, "_", taken));
    }

    @Override
    public int compareTo(FieldKey other) {
        return name.compareTo(other.name);
    }

    @Override
    public String toString() {
        return name;
    }
}
