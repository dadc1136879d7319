/**
 * The physical tables: making them, their row security and their indexes. Start at
 * {@link org.pressboard.schema.HostedTables}.
 */
@NullMarked
package org.pressboard.schema;

import org.jspecify.annotations.NullMarked;
