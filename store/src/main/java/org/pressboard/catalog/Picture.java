package org.pressboard.catalog;

/** A picture that is kept with a table. */
public record Picture(String mediaType, byte[] bytes) {
}
