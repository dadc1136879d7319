/**
 * What people find rows by on a sheet: the search, and for each narrowed field a {@link org.pressboard.sheet.finder.NarrowMenu
 * control} with what one can narrow to and how many rows there are of it.
 */
@NullMarked
package org.pressboard.sheet.finder;

import org.jspecify.annotations.NullMarked;
