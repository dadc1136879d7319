/**
 * Tells pages that are open that rows have changed. Start at {@link org.pressboard.live.LiveController}.
 */
@NullMarked
package org.pressboard.live;

import org.jspecify.annotations.NullMarked;
