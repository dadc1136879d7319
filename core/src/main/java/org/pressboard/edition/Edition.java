package org.pressboard.edition;

import java.time.Instant;

/**
 * One published state of a page, numbered from 1 and never changed.
 *
 * @param follows the number of the edition that visitors had before; 0: none
 */
public record Edition(int number, Page page, Instant publishedAt, int follows) {

    /** The same with another page in its place, such as what of it somebody gets. */
    public Edition of(Page other) {
        return new Edition(number, other, publishedAt, follows);
    }
}
