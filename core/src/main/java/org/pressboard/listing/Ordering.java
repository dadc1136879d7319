package org.pressboard.listing;

import java.util.List;

/**
 * In which order rows come, and how many at once.
 *
 * @param by       the order before anybody sorts; none: the order in which rows were added
 * @param pageSize how many rows make a page, one of {@link Listing#PAGE_SIZES}
 * @param limit    no more than so many are shown at all; 0: all of them
 * @param choice   whether people choose how many rows make a page
 * @param more     whether further rows come under those there are, in place of pages
 */
public record Ordering(List<SortBy> by, int pageSize, int limit, boolean choice, boolean more) {

    public static final int MOST_FIELDS = 4;
    public static final int HIGHEST_LIMIT = 100;

    /** So many rows stand under each other at most where further ones come under those there are. */
    public static final int MOST_UNDER_EACH_OTHER = 1_000;

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
        return new Ordering(order, Listing.USUAL_PAGE_SIZE, 0, false, false);
    }

    /** How many rows stand on a page before anybody wants another number of them. */
    public int startSize() {
        return limit > 0 ? limit : pageSize;
    }

    public Ordering ordered(List<SortBy> others) {
        return new Ordering(others, pageSize, limit, choice, more);
    }

    public Ordering paged(int rows) {
        return new Ordering(by, rows, limit, choice, more);
    }

    public Ordering limitedTo(int rows) {
        return new Ordering(by, pageSize, rows, choice, more);
    }

    public Ordering choosing(boolean sizes) {
        return new Ordering(by, pageSize, limit, sizes, more);
    }

    public Ordering adding(boolean underneath) {
        return new Ordering(by, pageSize, limit, choice, underneath);
    }
}
