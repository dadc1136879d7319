/** Work that takes much is done by few at once: {@link org.pressboard.turn.Turns} has the others wait, for so long. */
@NullMarked
package org.pressboard.turn;

import org.jspecify.annotations.NullMarked;
