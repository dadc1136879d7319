package org.pressboard.rows;

import org.jspecify.annotations.Nullable;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/**
 * A row by its place in the order of a query: from there one can read on either way, without counting rows again.
 *
 * @param value what that row has in the field sorted by
 */
record Anchor(@Nullable Value value, RowId rowId) {
}
