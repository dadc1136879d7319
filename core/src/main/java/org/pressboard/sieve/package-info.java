/**
 * What becomes of rows on their way from the table to the screen: how many pass each gate, and which one stops a row.
 * Start at {@link org.pressboard.sieve.Sieve}.
 */
@NullMarked
package org.pressboard.sieve;

import org.jspecify.annotations.NullMarked;
