/**
 * Forms in which visitors send rows: what is asked, what is set without being asked, who may send how often, and what
 * follows. Start at {@link org.pressboard.form.Form}.
 */
@NullMarked
package org.pressboard.form;

import org.jspecify.annotations.NullMarked;
