/**
 * Tables and fields: what a table has and what each field may hold.
 * Start at {@link org.pressboard.table.Table}; keys are values of their own, checked once.
 */
@NullMarked
package org.pressboard.table;

import org.jspecify.annotations.NullMarked;
