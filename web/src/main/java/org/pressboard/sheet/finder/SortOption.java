package org.pressboard.sheet.finder;

/** A way to sort, for where there are no headings to click. */
public record SortOption(String value, String text, boolean picked) {
}
