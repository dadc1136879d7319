/**
 * Pages and their editions. A {@link org.pressboard.edition.Page page} is an ordered list of {@link org.pressboard.edition.Part
 * parts}, each with whom it is for; a part says by itself what becomes of it when a table or a field goes. An edition is one
 * published state of a page, and {@link org.pressboard.edition.Differences} tells two of them apart, line by line of the ticket.
 */
@NullMarked
package org.pressboard.edition;

import org.jspecify.annotations.NullMarked;
