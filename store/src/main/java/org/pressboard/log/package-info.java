/**
 * Who did what, when and from where: what an owner looks up later. Start at {@link org.pressboard.log.Log}.
 */
@NullMarked
package org.pressboard.log;

import org.jspecify.annotations.NullMarked;
