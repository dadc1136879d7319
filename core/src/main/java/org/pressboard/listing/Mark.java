package org.pressboard.listing;

import java.util.Objects;
import org.pressboard.condition.Condition;

/**
 * How rows look of which something is so.
 *
 * @param colour of what is coloured
 */
public record Mark(Condition when, Style style, Colour colour) {

    /** In what a marked row differs. */
    public enum Style {
        STRUCK, MUTED, BOLD,
        /** A coloured bar at its edge. */
        EDGE,
        /** A sign before what names it. */
        DONE, STAR, WARNING, STOP;

        /** Whether it is a sign, that is also told to those who do not see it. */
        public boolean isSign() {
            return ordinal() > EDGE.ordinal();
        }
    }

    /** What is drawn with it can be told from the paper, light and dark. */
    public enum Colour { MOSS, BRICK, SLATE, MUSTARD }

    public Mark {
        style = Objects.requireNonNullElse(style, Style.MUTED);
        colour = Objects.requireNonNullElse(colour, Colour.MOSS);
    }
}
