/**
 * The second lock: {@link org.pressboard.scope.VisitorScope} has a transaction go on under the role that visitors' rows leave by,
 * so that the database itself lets no row leave that grants do not.
 */
@NullMarked
package org.pressboard.scope;

import org.jspecify.annotations.NullMarked;
