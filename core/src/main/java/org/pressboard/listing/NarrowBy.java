package org.pressboard.listing;

import java.util.EnumSet;
import java.util.Objects;
import java.util.Set;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;

/**
 * By which control people narrow a field.
 *
 * @param one    whether they pick one value at a time; else several
 * @param distribution whether over a range is shown how its values are distributed
 * @param start  what it is narrowed to before anybody says otherwise; open: nothing
 */
public record NarrowBy(FieldKey field, ControlKind way, boolean one, boolean distribution, Narrowing start) {

    /** The controls there are. */
    public enum ControlKind {
        /** As most would for that kind of field. */
        USUAL,
        /** The values in a box that opens. */
        MENU,
        /** The values side by side. */
        TAGS,
        /** From one value to another. */
        RANGE,
        AT_LEAST, AT_MOST,
        /** Letters that are typed, or picked from the alphabet. */
        CONTAINS, BEGINS, LETTERS,
        /** One value that is typed. */
        IS;

        /** Whether values are picked of those that are offered. */
        public boolean isOfValues() {
            return this == MENU || this == TAGS;
        }
    }

    public NarrowBy {
        way = Objects.requireNonNullElse(way, ControlKind.USUAL);
        start = Objects.requireNonNullElse(start, Narrowing.OPEN);
    }

    /** As most would. */
    public static NarrowBy usual(FieldKey field) {
        return new NarrowBy(field, ControlKind.USUAL, false, false, Narrowing.OPEN);
    }

    public NarrowBy by(ControlKind other, boolean onlyOne, boolean withDistribution) {
        return new NarrowBy(field, other, onlyOne, withDistribution, start);
    }

    public NarrowBy startingWith(Narrowing narrowing) {
        return new NarrowBy(field, way, one, distribution, narrowing);
    }

    boolean isUsual() {
        return equals(usual(field));
    }

    /** The control for a field of that kind: the one chosen where it fits, else the usual. */
    public ControlKind wayFor(FieldType type) {
        Set<ControlKind> offered = offered(type);
        return offered.contains(way) || offered.isEmpty() ? way : usualOf(type);
    }

    private static ControlKind usualOf(FieldType type) {
        return offered(type).iterator().next();
    }

    /** The controls that make sense for a kind of field, in the order of {@link ControlKind}; none where there is none. */
    public static Set<ControlKind> offered(FieldType type) {
        return switch (type) {
            case Chosen chosen -> EnumSet.of(ControlKind.MENU, ControlKind.TAGS);
            case FieldType.YesNo yesNo -> EnumSet.of(ControlKind.MENU, ControlKind.TAGS);
            case Referring referring -> EnumSet.of(ControlKind.MENU, ControlKind.CONTAINS, ControlKind.BEGINS);
            case Numeric numeric -> EnumSet.of(ControlKind.RANGE, ControlKind.AT_LEAST, ControlKind.AT_MOST, ControlKind.IS);
            case Temporal temporal -> EnumSet.of(ControlKind.RANGE, ControlKind.AT_LEAST, ControlKind.AT_MOST, ControlKind.IS);
            case Textual.LongText lengthy -> EnumSet.of(ControlKind.CONTAINS);
            case Textual.FormattedText lengthy -> EnumSet.of(ControlKind.CONTAINS);
            case Textual textual -> EnumSet.of(ControlKind.CONTAINS, ControlKind.BEGINS, ControlKind.LETTERS, ControlKind.IS);
            case Attached attached -> EnumSet.noneOf(ControlKind.class);
        };
    }

    /** Whether it makes sense to show how the values of such a field are distributed. */
    public static boolean hasDistribution(FieldType type) {
        return type instanceof Numeric || type instanceof Temporal.Date || type instanceof Temporal.DateTime;
    }
}
