package org.pressboard.rows;

import java.util.List;

/** The rows of a page by their place in the order, and whether more follow. */
record Keys(List<Anchor> page, boolean hasMore) {

    static final Keys NONE = new Keys(List.of(), false);

    List<Long> rowIds() {
        return page.stream().map(Anchor::rowId).toList();
    }
}
