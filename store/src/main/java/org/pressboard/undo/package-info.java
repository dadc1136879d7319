/**
 * Takes back what was done to rows and to what tables are, each by those who do it. Start at {@link org.pressboard.undo.Undo}.
 */
@NullMarked
package org.pressboard.undo;

import org.jspecify.annotations.NullMarked;
