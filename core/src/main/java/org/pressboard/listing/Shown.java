package org.pressboard.listing;

import java.util.Objects;
import org.pressboard.table.Field;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Format;

/**
 * A field as one listing shows it.
 *
 * @param label what stands over or before it here; empty: the field's own label
 */
public record Shown(FieldKey field, String label, Width width, Align align, Format format) {

    /** How much room a column has beside the others. */
    public enum Width { FITTING, NARROW, MIDDLE, WIDE }

    /** At which side of its column a value stands. */
    public enum Align { USUAL, LEFT, CENTRE, RIGHT }

    public Shown {
        label = Objects.requireNonNullElse(label, "");
        width = Objects.requireNonNullElse(width, Width.FITTING);
        align = Objects.requireNonNullElse(align, Align.USUAL);
        format = Objects.requireNonNullElse(format, Format.USUAL);
    }

    /** As the table has it. */
    public static Shown usual(FieldKey field) {
        return new Shown(field, "", Width.FITTING, Align.USUAL, Format.USUAL);
    }

    /** What people read over or before it. */
    public String labelOf(Field of) {
        return label.isEmpty() ? of.label() : label;
    }

    public Shown labelled(String other) {
        return new Shown(field, other, width, align, format);
    }

    public Shown with(Width other) {
        return new Shown(field, label, other, align, format);
    }

    public Shown with(Align other) {
        return new Shown(field, label, width, other, format);
    }

    public Shown with(Format other) {
        return new Shown(field, label, width, align, other);
    }
}
