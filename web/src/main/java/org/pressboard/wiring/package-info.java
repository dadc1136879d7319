/**
 * Spring configuration, and what answers when something is wrong. Start at
 * {@link org.pressboard.wiring.PressboardApplication}.
 */
@NullMarked
package org.pressboard.wiring;

import org.jspecify.annotations.NullMarked;
