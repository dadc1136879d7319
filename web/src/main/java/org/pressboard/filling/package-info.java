/**
 * Visitors add, change and remove rows from the pages. Start at {@link org.pressboard.filling.FillingController}; what
 * its like share is in {@link org.pressboard.filling.Fillings}. Forms of their own are
 * {@link org.pressboard.filling.SendController}'s.
 */
@NullMarked
package org.pressboard.filling;

import org.jspecify.annotations.NullMarked;
