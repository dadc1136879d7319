/**
 * What strangers can make this process hold, as one budget that follows from its heap: whoever is to hold something for them
 * draws it first, and refuses where it is spent. Start at {@link org.pressboard.memory.Budget}. Knows nothing of what it is
 * spent for.
 */
@NullMarked
package org.pressboard.memory;

import org.jspecify.annotations.NullMarked;
