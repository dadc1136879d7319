package org.pressboard.listing;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.value.FieldKey;

/**
 * How a listing looks besides what it shows.
 *
 * @param title   what stands over it; empty: nothing
 * @param lead    what is said of it before its rows; may be empty
 * @param nothing what is said where it has no rows; empty: that there are none
 * @param marks   how rows look of which something is so, the first the strongest
 */
public record Dress(Density density, Stripes stripes, Rules rules, String title, String lead, String nothing,
                    List<Mark> marks) {

    public static final Dress USUAL = new Dress(Density.MIDDLE, Stripes.NONE, Rules.LINES, "", "", "", List.of());
    public static final int LONGEST_TITLE = 100;
    public static final int LONGEST_LEAD = 500;
    public static final int MOST_MARKS = 8;

    /** How close rows stand. */
    public enum Density { DENSE, MIDDLE, AIRY }

    /** In which tone every second row is laid. */
    public enum Stripes { NONE, PAPER, MOSS, MUSTARD, BRICK, SLATE }

    /** The lines between rows, and between columns too. */
    public enum Rules { NONE, LINES, GRID }

    public Dress {
        density = Objects.requireNonNullElse(density, Density.MIDDLE);
        stripes = Objects.requireNonNullElse(stripes, Stripes.NONE);
        rules = Objects.requireNonNullElse(rules, Rules.LINES);
        title = Objects.requireNonNullElse(title, "");
        lead = Objects.requireNonNullElse(lead, "");
        nothing = Objects.requireNonNullElse(nothing, "");
        marks = marks == null ? List.of() : List.copyOf(marks);
    }

    /** What stands over the listing: its own title, or else that. */
    public String titleOr(String other) {
        return title.isEmpty() ? other : title;
    }

    public Dress with(Density other) {
        return new Dress(other, stripes, rules, title, lead, nothing, marks);
    }

    public Dress with(Stripes other) {
        return new Dress(density, other, rules, title, lead, nothing, marks);
    }

    public Dress with(Rules other) {
        return new Dress(density, stripes, other, title, lead, nothing, marks);
    }

    public Dress titled(String other) {
        return new Dress(density, stripes, rules, other, lead, nothing, marks);
    }

    public Dress leading(String other) {
        return new Dress(density, stripes, rules, title, other, nothing, marks);
    }

    public Dress sayingOfNothing(String other) {
        return new Dress(density, stripes, rules, title, lead, other, marks);
    }

    public Dress marking(List<Mark> others) {
        return new Dress(density, stripes, rules, title, lead, nothing, others);
    }

    /** The fields that the marks ask about. */
    public Set<FieldKey> asked() {
        return marks.stream().flatMap(mark -> mark.when().fields().stream()).collect(Collectors.toSet());
    }
}
