/**
 * Typed cell values and rows, the keys by which a row has them, their plain form for machines, and how people of a
 * language write and type them.
 * Start at {@link org.pressboard.value.Value}; an absent value is {@code null}, never a value of its own.
 */
@NullMarked
package org.pressboard.value;

import org.jspecify.annotations.NullMarked;
