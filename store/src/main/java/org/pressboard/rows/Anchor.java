package org.pressboard.rows;

import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.RowQuery;
import org.pressboard.value.Value;

/**
 * The last row of a page in the order of a query: from here on the next page begins, without counting rows again.
 *
 * @param value what that row has in the field sorted by
 */
record Anchor(@Nullable Value value, long rowId) {

    /** Which page of which query, at which state of the rows, it ends. */
    record Key(long revision, RowQuery query, Locale language, int page) {
    }
}
