/**
 * What visitors carry away: all rows as CSV, XLSX, JSON and PDF, to print and to copy. Start at
 * {@link org.pressboard.takeaway.TakeAwayController}.
 */
@NullMarked
package org.pressboard.takeaway;

import org.jspecify.annotations.NullMarked;
