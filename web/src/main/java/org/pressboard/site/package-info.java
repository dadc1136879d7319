/**
 * Pages, rows and listings as they are answered, for visitors and in proofs alike. Start at
 * {@link org.pressboard.site.PageController}; what an address names is found in {@link org.pressboard.stand}.
 */
@NullMarked
package org.pressboard.site;

import org.jspecify.annotations.NullMarked;
