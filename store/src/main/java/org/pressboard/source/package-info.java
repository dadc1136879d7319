/**
 * Where the rows of tables lie in the database, by the source that a table has ({@link org.pressboard.table.Source}). Names of
 * schemas and of columns that are no fields stand here alone; whoever reads or writes rows takes them from here. Start at
 * {@link org.pressboard.source.Hosted}.
 */
@NullMarked
package org.pressboard.source;

import org.jspecify.annotations.NullMarked;
