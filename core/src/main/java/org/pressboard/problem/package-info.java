/**
 * Several findings reported at once. Start at {@link org.pressboard.problem.Problems}; nothing else lives here.
 */
@NullMarked
package org.pressboard.problem;

import org.jspecify.annotations.NullMarked;
