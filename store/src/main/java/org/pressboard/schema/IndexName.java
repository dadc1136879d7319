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
        String whole = table.key() + "." + field + "." + purpose;
        String digest = UUID.nameUUIDFromBytes(whole.getBytes(StandardCharsets.UTF_8)).toString().substring(0, 8);
        return cut(table.key().name()) + "_" + cut(field.name()) + "_" + purpose + "_" + digest;
    }

    private static String cut(String name) {
        return name.substring(0, Math.min(name.length(), MOST_OF_A_NAME));
    }
}
