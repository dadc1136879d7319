/**
 * What a page is made of, as it is drawn: {@link org.pressboard.part.PageLines} sets its parts line by line, the same for visitors,
 * in a proof and at the desk.
 */
@NullMarked
package org.pressboard.part;

import org.jspecify.annotations.NullMarked;
