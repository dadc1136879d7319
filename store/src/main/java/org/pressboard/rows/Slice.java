package org.pressboard.rows;

import java.util.List;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/** The rows of a page and whether more follow, as they are kept for the next who asks the same. */
record Slice(List<Row> rows, boolean hasMore) {

    private static final int BYTES_OF_A_VALUE = 64;

    /** About how many bytes of memory it takes. */
    int weight() {
        int weight = BYTES_OF_A_VALUE;
        for (Row row : rows) {
            for (Value value : row.values().values()) {
                weight += BYTES_OF_A_VALUE + (value instanceof Value.Text(String text) ? 2 * text.length() : 0);
            }
        }
        return weight;
    }
}
