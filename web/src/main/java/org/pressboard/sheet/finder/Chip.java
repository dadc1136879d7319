package org.pressboard.sheet.finder;

/** Something the rows are narrowed by, and the state without it, as an address's query. */
public record Chip(String label, String text, String queryWithout) {
}
