package org.pressboard.listing;

import java.util.List;

/**
 * In which order rows come, and how many at once.
 *
 * @param by       the order before anybody sorts; none: the order in which rows were added
 * @param pageSize how many rows make a page, one of {@link Listing#PAGE_SIZES}
 * @param limit    no more than so many are shown at all; 0: all of them
 */
public record Ordering(List<SortBy> by, int pageSize, int limit) {

    public static final int MOST_FIELDS = 4;
    public static final int HIGHEST_LIMIT = 100;

    public Ordering {
        by = List.copyOf(by);
        if (!Listing.PAGE_SIZES.contains(pageSize)) {
            throw new IllegalArgumentException("A page has " + Listing.PAGE_SIZES + " rows, not " + pageSize);
        }
        if (limit < 0 || limit > HIGHEST_LIMIT) {
            throw new IllegalArgumentException("At most " + HIGHEST_LIMIT + " rows are a limit, not " + limit);
        }
    }

    public static Ordering by(List<SortBy> order) {
        return new Ordering(order, Listing.USUAL_PAGE_SIZE, 0);
    }

    /** How many rows stand on a page before anybody wants another number of them. */
    public int startSize() {
        return limit > 0 ? limit : pageSize;
    }

    public Ordering ordered(List<SortBy> others) {
        return new Ordering(others, pageSize, limit);
    }

    public Ordering paged(int rows) {
        return new Ordering(by, rows, limit);
    }

    public Ordering limitedTo(int rows) {
        return new Ordering(by, pageSize, rows);
    }
}
