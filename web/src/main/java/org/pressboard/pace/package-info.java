/** How often, and how much at once, one address on the network may ask; {@link org.pressboard.pace.Pace} is asked first. */
@NullMarked
package org.pressboard.pace;

import org.jspecify.annotations.NullMarked;
