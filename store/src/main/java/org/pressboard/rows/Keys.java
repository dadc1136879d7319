package org.pressboard.rows;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The numbers of the rows of a page in their order, whether more follow, and where the page ends.
 *
 * @param matching how many rows match, where that was found out on the way
 */
record Keys(List<Long> rowIds, boolean hasMore, @Nullable Anchor end, @Nullable Integer matching) {
}
