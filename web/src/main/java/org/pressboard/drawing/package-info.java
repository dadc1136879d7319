/**
 * What pages are drawn with: parts that are drawn once for all that are the same, and the files that ship with the
 * application. Start at {@link org.pressboard.drawing.DrawnOnce}.
 */
@NullMarked
package org.pressboard.drawing;

import org.jspecify.annotations.NullMarked;
