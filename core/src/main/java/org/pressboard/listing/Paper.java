package org.pressboard.listing;

import java.util.Objects;

/**
 * The paper on which rows are printed.
 *
 * @param across whether it lies on its long side
 */
public record Paper(Size size, boolean across) {

    /** A4 of ISO 216; Letter of ANSI/ASME Y14.1. */
    public enum Size { A4, LETTER }

    public static final Paper USUAL = new Paper(Size.A4, false);

    public Paper {
        size = Objects.requireNonNullElse(size, Size.A4);
    }
}
