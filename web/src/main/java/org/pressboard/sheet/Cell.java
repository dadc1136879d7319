package org.pressboard.sheet;

import java.util.List;

/**
 * One value as it is drawn.
 *
 * @param kind   how: {@code text}, {@code long}, {@code number}, {@code when}, {@code tag}, {@code link},
 *               {@code rating}, {@code formatted}, {@code picture}
 * @param text   what is read; empty where there is no value
 * @param href   where a link leads or a picture is; else empty
 * @param label  the heading it belongs to
 * @param naming whether it names its row, which begins with it where rows are folded
 * @param tags   the texts that it consists of, each in a colour; none where it is one text
 * @param column how its column looks, as classes; may be empty
 */
public record Cell(String kind, String text, String href, String label, boolean naming, List<Tag> tags, String column) {

    /** A text and the name of the colour behind it. */
    public record Tag(String text, String colour) {
    }

    public boolean isEmpty() {
        return text.isEmpty();
    }
}
