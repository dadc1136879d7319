/**
 * What visitors carry away: CSV and JSON. Start at {@link org.pressboard.takeaway.TakeAwayController}.
 */
@NullMarked
package org.pressboard.takeaway;

import org.jspecify.annotations.NullMarked;
