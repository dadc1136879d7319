package org.pressboard.rows;

import java.util.List;
import org.pressboard.value.RowId;

/** The rows of a page by their place in the order, and whether more follow. */
record Keys(List<Anchor> page, boolean hasMore) {

    static final Keys NONE = new Keys(List.of(), false);

    List<RowId> rowIds() {
        return page.stream().map(Anchor::rowId).toList();
    }
}
