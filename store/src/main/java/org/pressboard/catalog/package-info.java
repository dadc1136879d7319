/**
 * What Pressboard knows of the site: tables, grants, pages, editions, accounts. Start at
 * {@link org.pressboard.catalog.Catalog}. Hibernate entities stay inside; the core's records go in and out.
 *
 * <p>Each kind of definition is kept as JSON in a {@link org.pressboard.catalog.KeptForm form} with a version. A new one is a
 * further small step from the last, and a further file among those that the tests read; what a later release has written is
 * left out, and said to be.
 */
@NullMarked
package org.pressboard.catalog;

import org.jspecify.annotations.NullMarked;
