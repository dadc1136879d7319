/**
 * Visitors add, change and remove rows from the pages. Start at {@link org.pressboard.filling.FillingController}.
 */
@NullMarked
package org.pressboard.filling;

import org.jspecify.annotations.NullMarked;
