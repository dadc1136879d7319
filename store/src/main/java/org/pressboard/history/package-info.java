/**
 * What somebody did and what became of rows by it. Rows are remembered by triggers of the database, whoever changes them
 * and however; what is here says on whose behalf, and reads it back. Start at {@link org.pressboard.history.Acts}.
 */
@NullMarked
package org.pressboard.history;

import org.jspecify.annotations.NullMarked;
