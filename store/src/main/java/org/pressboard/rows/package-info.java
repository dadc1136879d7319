/**
 * Reading rows: keys first, then the rows under the visitor's row security. Start at
 * {@link org.pressboard.rows.Rows}.
 */
@NullMarked
package org.pressboard.rows;

import org.jspecify.annotations.NullMarked;
