/**
 * One table at the desk: its rows, its fields, its history, and who may see it.
 * Start at {@link org.pressboard.desk.table.TableFrame}.
 */
@NullMarked
package org.pressboard.desk.table;

import org.jspecify.annotations.NullMarked;
