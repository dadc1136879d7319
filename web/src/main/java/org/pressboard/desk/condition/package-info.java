/**
 * Conditions as owners say and change them at the desk: statements about fields, in groups. Start at
 * {@link org.pressboard.desk.condition.ConditionDesk}.
 */
@NullMarked
package org.pressboard.desk.condition;

import org.jspecify.annotations.NullMarked;
