/**
 * From the core's conditions and orders to SQL. Names are quoted and values bound here and nowhere else.
 * Start at {@link org.pressboard.sql.ConditionSql}.
 */
@NullMarked
package org.pressboard.sql;

import org.jspecify.annotations.NullMarked;
