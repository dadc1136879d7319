package org.pressboard.rows;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** The numbers of the rows of a page in their order, whether more follow, and where the page ends. */
record Keys(List<Long> rowIds, boolean hasMore, @Nullable Anchor end) {
}
