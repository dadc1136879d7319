package org.pressboard.sheet.line;

/**
 * One value as it is drawn.
 *
 * @param label  the heading it belongs to
 * @param naming whether it names its row, which begins with it where rows are folded
 * @param column how its column looks, as classes; may be empty
 */
public record Cell(Content content, String label, boolean naming, String column) {

    /** What is read; empty where there is no value. */
    public String text() {
        return content.text();
    }

    public String kind() {
        return content.kind();
    }

    public boolean isEmpty() {
        return text().isEmpty();
    }
}
