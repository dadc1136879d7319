/**
 * Rows as somebody fills them in, at the desk and on the pages. Start at {@link org.pressboard.form.RowForm}.
 */
@NullMarked
package org.pressboard.form;

import org.jspecify.annotations.NullMarked;
