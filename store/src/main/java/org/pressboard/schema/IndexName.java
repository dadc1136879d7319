package org.pressboard.schema;

import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.pressboard.value.FieldKey;
import org.pressboard.table.Table;

/** Readable names for indexes within the 63 bytes that PostgreSQL keeps, told apart by a digest of what was cut. */
final class IndexName {

    private static final int MOST_OF_A_NAME = 18;

    private IndexName() {
    }

    static String of(Table table, FieldKey field, String purpose) {
        return cut(table.key().name()) + "_" + cut(field.name()) + "_" + purpose + "_"
                + digest(table.key() + "." + field + "." + purpose);
    }

    /** Of one that is no good any more when what it holds of the field is another. */
    static String of(Table table, FieldKey field, String purpose, String held) {
        return of(table, field, purpose) + "_" + digest(held);
    }

    /** Of one for the table as a whole. */
    static String of(Table table, String purpose) {
        return cut(table.key().name()) + "_" + purpose + "_" + digest(table.key() + "." + purpose);
    }

    private static String digest(String whole) {
        return UUID.nameUUIDFromBytes(whole.getBytes(StandardCharsets.UTF_8)).toString().substring(0, 8);
    }

    private static String cut(String name) {
        return name.substring(0, Math.min(name.length(), MOST_OF_A_NAME));
    }
}
