package org.pressboard.rows;

import org.jspecify.annotations.Nullable;

/**
 * Where to begin reading an order, and which way, to come to a page.
 *
 * @param from      the row behind which to begin, or before it when reading backwards; null: at the end of the order
 * @param backwards whether to read from the last row towards the first
 * @param skip      how many matching rows to pass over before the page
 * @param take      how many rows to read: forwards one more than the page has, which tells whether more follow
 */
record Route(@Nullable Anchor from, boolean backwards, long skip, int take) {

    static Route fromStart(long offset, int size) {
        return new Route(null, false, offset, size + 1);
    }

    /** Whether rows follow behind the page, when so many were read. */
    boolean hasMore(int read) {
        return backwards ? from != null || skip > 0 : read == take;
    }
}
