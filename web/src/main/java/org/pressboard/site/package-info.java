/**
 * The published pages, as visitors get them. Start at {@link org.pressboard.site.PageController}.
 */
@NullMarked
package org.pressboard.site;

import org.jspecify.annotations.NullMarked;
