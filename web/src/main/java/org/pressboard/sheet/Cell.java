package org.pressboard.sheet;

/**
 * One value as it is drawn.
 *
 * @param kind  how: {@code text}, {@code long}, {@code number}, {@code tag}, {@code link}, {@code picture}
 * @param text  what is read; empty where there is no value
 * @param href  where a link leads or a picture is; else empty
 * @param label the heading it belongs to
 */
public record Cell(String kind, String text, String href, String label) {

    public boolean isEmpty() {
        return text.isEmpty();
    }
}
