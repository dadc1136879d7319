/**
 * The filter algebra and its evaluation in memory, two-valued: what SQL would leave unknown does not hold.
 * Start at {@link org.pressboard.condition.Condition}. The store compiles the same nodes to SQL and must give
 * the same answers; one shared suite of conditions and rows checks both.
 */
@NullMarked
package org.pressboard.condition;

import org.jspecify.annotations.NullMarked;
