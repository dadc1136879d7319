package org.pressboard.sheet;

/**
 * One value as it is drawn.
 *
 * @param kind  how: {@code text}, {@code long}, {@code number}, {@code tag}, {@code link}, {@code picture}
 * @param text  what is read; empty where there is no value
 * @param href  where a link leads or a picture is; else empty
 * @param label the heading it belongs to
 * @param naming whether it names its row, which begins with it where rows are folded
 */
public record Cell(String kind, String text, String href, String label, boolean naming) {

    Cell asName() {
        return new Cell(kind, text, href, label, true);
    }

    public boolean isEmpty() {
        return text.isEmpty();
    }
}
