/**
 * Pages and their editions. Start at {@link org.pressboard.edition.Page}.
 */
@NullMarked
package org.pressboard.edition;

import org.jspecify.annotations.NullMarked;
