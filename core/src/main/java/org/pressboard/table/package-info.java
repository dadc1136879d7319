/**
 * Tables and fields: what a table has, what each field may hold, how some are worked out of others, and how tables hang
 * together. Start at {@link org.pressboard.table.Table}; a further kind of field is a record in one of the families of
 * {@link org.pressboard.table.FieldType}.
 */
@NullMarked
package org.pressboard.table;

import org.jspecify.annotations.NullMarked;
