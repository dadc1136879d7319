/**
 * The filter algebra and its evaluation in memory, two-valued: what SQL would leave unknown does not hold.
 * Start at {@link org.pressboard.condition.Condition}. The store compiles the same nodes to SQL and must give
 * the same answers; one shared suite of conditions and rows checks both.
 *
 * <p><b>Operand.</b> What a field is compared with, is set to or begins with is one sealed family,
 * {@link org.pressboard.condition.Operand}: a value, something of the visitor, of the clock, of the page, of the open row, of a
 * row that a reference leads to, a dial. Each is resolved from one {@link org.pressboard.condition.Standpoint}, which carries all
 * that it could be taken of; nothing else brings context. A statement as people make it is a field, a comparison and operands
 * ({@link org.pressboard.condition.Clause}): "at least" what a dial says, "between" today and a field of the visitor's.
 *
 * <p>A further operand is a record in the family. The compiler then names where it must be handled: what it resolves to and its
 * {@link org.pressboard.condition.Operand.Origin} here, whether it fits a field and where it is offered
 * ({@link org.pressboard.table.Operands}), its SQL, its form as it is kept, its words at the desk. Which places offer which
 * sources stands in one list there; the tests go through operands and places.
 */
@NullMarked
package org.pressboard.condition;

import org.jspecify.annotations.NullMarked;
