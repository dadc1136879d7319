package org.pressboard.value;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Names a field of a table for good, whatever its label becomes; also the name of its column in the database.
 * Lower-case letters, digits and underscores; of a field of another table, the references on the way to it before it, each
 * with a dot behind.
 */
public record FieldKey(String name) implements Comparable<FieldKey> {

    /** Columns that every hosted table has besides its fields. */
    public static final Set<String> RESERVED = Set.of("row_id", "added_at", "added_by", "changed_at", "changed_by",
            "search_text",
            // names that PostgreSQL gives to columns of its own
            "tableoid", "xmin", "cmin", "xmax", "cmax", "ctid");

    public FieldKey {
        for (String part : name.split("\\.", -1)) {
            if (!Names.isValid(part) || RESERVED.contains(part)) {
                throw new IllegalArgumentException("Not a field key: \"" + name + "\"");
            }
        }
    }

    /** A field of the table that this reference leads to: {@code plot.keeper}. */
    public FieldKey through(FieldKey field) {
        return new FieldKey(name + "." + field.name);
    }

    /** Whether it is a field of another table, reached through references. */
    public boolean isThrough() {
        return name.indexOf('.') >= 0;
    }

    /** The references on the way to it, and the field itself at last. */
    public List<FieldKey> way() {
        return Stream.of(name.split("\\.")).map(FieldKey::new).toList();
    }

    /** The same without the first reference on the way to it. */
    public FieldKey behind() {
        return new FieldKey(name.substring(name.indexOf('.') + 1));
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
