package org.pressboard.listing;

import org.pressboard.value.FieldKey;

/** Sorts by a field, upwards or downwards; rows without a value come last either way. */
public record SortBy(FieldKey field, boolean descending) {

    public static SortBy up(FieldKey field) {
        return new SortBy(field, false);
    }

    public static SortBy down(FieldKey field) {
        return new SortBy(field, true);
    }

    @Override
    public String toString() {
        return (descending ? "-" : "") + field;
    }
}
