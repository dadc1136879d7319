/**
 * A listing as it is drawn on a page: headings, cells, narrowing, pages. The site and the desk draw the same.
 * Start at {@link org.pressboard.sheet.Sheets}.
 */
@NullMarked
package org.pressboard.sheet;

import org.jspecify.annotations.NullMarked;
