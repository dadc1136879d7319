/**
 * What Pressboard knows of the site: tables, grants, pages, editions, accounts. Start at
 * {@link org.pressboard.catalog.Catalog}. Hibernate entities stay inside; the core's records go in and out.
 */
@NullMarked
package org.pressboard.catalog;

import org.jspecify.annotations.NullMarked;
