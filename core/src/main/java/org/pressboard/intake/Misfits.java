package org.pressboard.intake;

import java.util.List;

/**
 * How well a column fits a reading: how many values do not fit, the first of them, and the most digits that stand
 * behind the decimal mark in those that do.
 */
public record Misfits(long count, List<Example> examples, int digits) {

    /** A text that does not fit, and the line of the file on which its record begins. */
    public record Example(long line, String text) {
    }

    public static final Misfits NONE = new Misfits(0, List.of(), 0);

    public Misfits {
        examples = List.copyOf(examples);
    }
}
