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
public record NarrowBy(FieldKey field, Way way, boolean one, boolean distribution, Narrowing start) {

    /** The controls there are. */
    public enum Way {
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
        way = Objects.requireNonNullElse(way, Way.USUAL);
        start = Objects.requireNonNullElse(start, Narrowing.OPEN);
    }

    /** As most would. */
    public static NarrowBy usual(FieldKey field) {
        return new NarrowBy(field, Way.USUAL, false, false, Narrowing.OPEN);
    }

    public NarrowBy by(Way other, boolean onlyOne, boolean withDistribution) {
        return new NarrowBy(field, other, onlyOne, withDistribution, start);
    }

    public NarrowBy startingWith(Narrowing narrowing) {
        return new NarrowBy(field, way, one, distribution, narrowing);
    }

    boolean isUsual() {
        return equals(usual(field));
    }

    /** The control for a field of that kind: the one chosen where it fits, else the usual. */
    public Way wayFor(FieldType type) {
        Set<Way> offered = offered(type);
        return offered.contains(way) || offered.isEmpty() ? way : usualOf(type);
    }

    private static Way usualOf(FieldType type) {
        return offered(type).iterator().next();
    }

    /** The controls that make sense for a kind of field, in the order of {@link Way}; none where there is none. */
    public static Set<Way> offered(FieldType type) {
        return switch (type) {
            case Chosen chosen -> EnumSet.of(Way.MENU, Way.TAGS);
            case FieldType.YesNo yesNo -> EnumSet.of(Way.MENU, Way.TAGS);
            case Referring referring -> EnumSet.of(Way.MENU, Way.CONTAINS, Way.BEGINS);
            case Numeric numeric -> EnumSet.of(Way.RANGE, Way.AT_LEAST, Way.AT_MOST, Way.IS);
            case Temporal temporal -> EnumSet.of(Way.RANGE, Way.AT_LEAST, Way.AT_MOST, Way.IS);
            case Textual.LongText lengthy -> EnumSet.of(Way.CONTAINS);
            case Textual.FormattedText lengthy -> EnumSet.of(Way.CONTAINS);
            case Textual textual -> EnumSet.of(Way.CONTAINS, Way.BEGINS, Way.LETTERS, Way.IS);
            case Attached attached -> EnumSet.noneOf(Way.class);
        };
    }

    /** Whether it makes sense to show how the values of such a field are distributed. */
    public static boolean hasDistribution(FieldType type) {
        return type instanceof Numeric || type instanceof Temporal.Date || type instanceof Temporal.DateTime;
    }
}
