/**
 * What changed, told to every node by PostgreSQL's LISTEN and NOTIFY. Start at
 * {@link org.pressboard.change.ChangeFeed}.
 */
@NullMarked
package org.pressboard.change;

import org.jspecify.annotations.NullMarked;
