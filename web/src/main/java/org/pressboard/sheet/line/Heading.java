package org.pressboard.sheet.line;

/**
 * The heading of a column.
 *
 * @param sortedAs {@code ascending}, {@code descending} or {@code none}, as {@code aria-sort} takes it
 * @param column   how the column looks, as classes; may be empty
 * @param query    the state in which a click sorts by it, as an address's query; empty of meaning when not sortable
 */
public record Heading(String label, boolean number, boolean sortable, String sortedAs, String query, String column) {

    private static final int LONGEST_ON_A_LINE = 24;

    /** Whether it is longer than a column should be wide. */
    public boolean isLong() {
        return label.length() > LONGEST_ON_A_LINE;
    }

    public boolean isSorted() {
        return !sortedAs.equals("none");
    }
}
