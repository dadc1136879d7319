package org.pressboard.edition;

import java.time.Instant;

/** One published state of a page, numbered from 1 and never changed. */
public record Edition(int number, Page page, Instant publishedAt) {
}
