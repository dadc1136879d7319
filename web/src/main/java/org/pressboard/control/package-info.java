/**
 * Rows as somebody fills them in, at the desk and on the pages. Start at {@link org.pressboard.control.RowForm}.
 */
@NullMarked
package org.pressboard.control;

import org.jspecify.annotations.NullMarked;
