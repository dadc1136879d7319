package org.pressboard.listing;

/** How many rows there are: exactly, or more than a bound up to which they were counted. */
public sealed interface Total {

    record Exactly(long rows) implements Total {
    }

    record MoreThan(long rows) implements Total {
    }

    /** The number to count on: there are at least as many. */
    default long atLeast() {
        return switch (this) {
            case Exactly exactly -> exactly.rows;
            case MoreThan moreThan -> moreThan.rows + 1;
        };
    }

    /** How many pages of that size they fill, the last perhaps in part; 0 where there is no row. */
    default long pages(int size) {
        return (atLeast() + size - 1) / size;
    }
}
