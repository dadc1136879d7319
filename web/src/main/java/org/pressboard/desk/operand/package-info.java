/**
 * How it is chosen and said at the desk what a field is compared with, set to or begins with. Start at
 * {@link org.pressboard.desk.operand.OperandChoices}; what can be chosen where is for {@link org.pressboard.table.Operands}.
 */
@NullMarked
package org.pressboard.desk.operand;

import org.jspecify.annotations.NullMarked;
