package org.pressboard.rows;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The rows of a page by their place in the order, and whether more follow.
 *
 * @param matching how many rows match, where that was found out on the way
 */
record Keys(List<Anchor> page, boolean hasMore, @Nullable Integer matching) {

    static final Keys NONE = new Keys(List.of(), false, null);

    List<Long> rowIds() {
        return page.stream().map(Anchor::rowId).toList();
    }
}
