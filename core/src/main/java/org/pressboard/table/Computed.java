package org.pressboard.table;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** How the values of a field are worked out of others. */
public sealed interface Computed {

    /**
     * A field of another table, taken from the row that is reached by one or several references, one after the other.
     *
     * @param through the references, the first of the table itself
     * @param field   the field taken, of the table that the last one points to
     */
    record Borrowed(List<FieldKey> through, FieldKey field) implements Computed {
        public Borrowed {
            through = List.copyOf(through);
            if (through.isEmpty()) {
                throw new IllegalArgumentException("A borrowed field comes through a reference");
            }
        }
    }

    /**
     * What comes of the rows of another table that refer to the row.
     *
     * @param table   the table whose rows refer here
     * @param by      its field by which they do
     * @param measure what is worked out
     * @param field   of which of their fields; {@code null} for counting rows
     * @param where   which of them are taken
     * @param order   by which of their fields first and last are told; {@code null} for others
     * @param from    the number of the row itself that it is taken from, as the sign-ups from the places; {@code null}: none
     * @param floor   what comes out at least
     * @param ofSeen  whether only rows are taken that whoever looks may see; else it is the same for all, and kept
     */
    record Tally(TableKey table, FieldKey by, Measure measure, @Nullable FieldKey field, Condition where,
                 @Nullable FieldKey order, @Nullable FieldKey from, Floor floor, boolean ofSeen) implements Computed {

        /** Of all rows. */
        public Tally(TableKey table, FieldKey by, Measure measure, @Nullable FieldKey field, Condition where,
                @Nullable FieldKey order, @Nullable FieldKey from, Floor floor) {
            this(table, by, measure, field, where, order, from, floor, false);
        }

        /** The fields of the other table by which its rows are counted. */
        public Set<FieldKey> counted() {
            return Stream.of(Stream.of(by), where.fields().stream(), Stream.ofNullable(field), Stream.ofNullable(order))
                    .flatMap(fields -> fields).collect(Collectors.toSet());
        }

        public Tally {
            if (measure != Measure.COUNT && field == null) {
                throw new IllegalArgumentException("A tally needs a field to work out the " + measure + " of");
            }
            if (from != null && measure != Measure.COUNT && measure != Measure.SUM) {
                throw new IllegalArgumentException("Only a count or a sum is taken from a number");
            }
            if (measure.isByOrder() && order == null) {
                throw new IllegalArgumentException("First and last need an order");
            }
        }
    }

    /** What a tally works out. */
    enum Measure {
        COUNT, SUM, AVERAGE, LEAST, GREATEST, FIRST, LAST;

        public boolean isByOrder() {
            return this == FIRST || this == LAST;
        }

        /** Whether it takes numbers only. */
        public boolean isOfNumbers() {
            return this == SUM || this == AVERAGE;
        }
    }

    /** Below what a tally never goes: nothing, a number, or another field of the row; at most one of the two. */
    record Floor(@Nullable Value number, @Nullable FieldKey field) {
        public static final Floor NONE = new Floor(null, null);
    }

    /** Fixed words and fields one behind the other. */
    record Composed(List<Part> parts) implements Computed {
        public Composed {
            parts = List.copyOf(parts);
        }
    }

    /** What is noted of each row by itself. */
    record Noted(Note what) implements Computed {

        /** A moment, or a text. */
        public FieldType type() {
            return what.isMoment() ? new Temporal.DateTime() : new Textual.Text();
        }
    }

    /** What there is to note of a row. */
    enum Note {
        ADDED, ADDED_BY, CHANGED, CHANGED_BY,
        /** The e-mail address of whoever sent it from a page. */
        SENDER,
        /** The page that it was sent from, and the form on it. */
        FORM;

        public boolean isMoment() {
            return this == ADDED || this == CHANGED;
        }
    }

    /** A piece of composed text. */
    sealed interface Part {

        record Words(String text) implements Part {
        }

        record OfField(FieldKey field) implements Part {
        }
    }

    /** The fields of its own table that it is worked out of. */
    default List<FieldKey> uses() {
        return switch (this) {
            case Borrowed borrowed -> List.of(borrowed.through.getFirst());
            case Tally tally -> Stream.of(Optional.ofNullable(tally.from), Optional.ofNullable(tally.floor.field))
                    .flatMap(Optional::stream).toList();
            case Noted noted -> List.of();
            case Composed composed -> composed.parts.stream().filter(Part.OfField.class::isInstance)
                    .map(part -> ((Part.OfField) part).field).toList();
        };
    }
}
