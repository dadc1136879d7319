/**
 * From a file to a table: how the file is written, what its columns hold (with evidence), the plan, and the rows
 * that do not fit. Start at {@link org.pressboard.intake.Survey}.
 */
@NullMarked
package org.pressboard.intake;

import org.jspecify.annotations.NullMarked;
