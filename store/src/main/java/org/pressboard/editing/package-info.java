/**
 * Rows changed by hand: added, changed, removed, put back, and every such step taken back. Start at
 * {@link org.pressboard.editing.RowEditing}.
 */
@NullMarked
package org.pressboard.editing;

import org.jspecify.annotations.NullMarked;
