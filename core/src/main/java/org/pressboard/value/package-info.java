/**
 * Typed cell values and rows, their plain form for machines and their written form for people.
 * Start at {@link org.pressboard.value.Value}; an absent value is {@code null}, never a value of its own.
 */
@NullMarked
package org.pressboard.value;

import org.jspecify.annotations.NullMarked;
