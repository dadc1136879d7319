package org.pressboard.listing;

import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.FieldKey;

/**
 * What becomes of a row when somebody opens it.
 *
 * @param button what the button says by which it is opened; empty: the row itself opens
 * @param fields what is on the opened row, in its order; none: what the listing shows
 * @param link   the field whose link is followed in place of opening; {@code null}: none
 */
public record Opening(How how, String button, List<Shown> fields, @Nullable FieldKey link) {

    public static final Opening NONE = new Opening(How.NOTHING, "", List.of(), null);
    public static final int LONGEST_BUTTON = 40;

    /** Where the whole row is read. */
    public enum How {
        NOTHING,
        /** On a page of its own. */
        PAGE,
        /** Over the list. */
        NARROW_SLIP, WIDE_SLIP, FULL_SLIP,
        /** Between the rows of the list. */
        UNFOLD,
        /** Elsewhere, where a field leads. */
        LINK;

        public boolean isSlip() {
            return this == NARROW_SLIP || this == WIDE_SLIP || this == FULL_SLIP;
        }

        /** Whether each row has an address at which it is read whole. */
        public boolean hasAddress() {
            return this != NOTHING && this != LINK;
        }
    }

    public Opening {
        how = Objects.requireNonNullElse(how, How.NOTHING);
        button = Objects.requireNonNullElse(button, "");
        fields = fields == null ? List.of() : List.copyOf(fields);
    }

    public Opening by(How other) {
        return new Opening(other, button, fields, link);
    }

    public Opening withButton(String words) {
        return new Opening(how, words, fields, link);
    }

    public Opening showing(List<Shown> others) {
        return new Opening(how, button, others, link);
    }

    /** The same for a list that shows less than before: what was on an opened row because the list showed it stays there. */
    public Opening keeping(List<Shown> before) {
        return how.hasAddress() && fields.isEmpty() ? showing(before.stream().map(look -> Shown.usual(look.field())).toList()) : this;
    }

    /** The same with a field behind the others. */
    Opening adding(FieldKey field) {
        return showing(Stream.concat(fields.stream(), Stream.of(Shown.usual(field))).toList());
    }

    /** The same with those fields only. */
    Opening among(Predicate<FieldKey> which) {
        return new Opening(how, button, fields.stream().filter(look -> which.test(look.field())).toList(),
                link != null && which.test(link) ? link : null);
    }

    public Opening leadingTo(@Nullable FieldKey field) {
        return new Opening(how, button, fields, field);
    }
}
