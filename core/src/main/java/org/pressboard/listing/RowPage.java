package org.pressboard.listing;

import java.util.List;
import org.pressboard.value.Row;

/**
 * One page of a row query's answer.
 *
 * @param found   how many rows match
 * @param outOf   how many there are to find before searching and narrowing
 * @param hasMore whether rows follow behind this page
 */
public record RowPage(List<Row> rows, Total found, Total outOf, boolean hasMore) {

    /** No rows, of none. */
    public static final RowPage NONE = new RowPage(List.of(), new Total.Exactly(0), new Total.Exactly(0), false);

    public RowPage {
        rows = List.copyOf(rows);
    }
}
