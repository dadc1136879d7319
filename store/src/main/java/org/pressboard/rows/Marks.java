package org.pressboard.rows;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.Value;

/**
 * Rows whose place in one order is known, like marks put between the leaves of a book: the way to a page begins at the
 * nearest, so that one far behind costs what the first does. They hold for one state of the rows.
 */
final class Marks {

    static final int MOST = 2_000;
    private static final int LONGEST_TEXT = 200;

    private final ConcurrentSkipListMap<Long, Anchor> byPlace = new ConcurrentSkipListMap<>();
    private volatile boolean throughout;

    /** Marks a row that is at that place, counted from 1. */
    void put(long place, Anchor row) {
        boolean isLong = row.value() instanceof Value.Text(String text) && text.length() > LONGEST_TEXT;
        if (byPlace.size() < MOST && !isLong) {
            byPlace.put(place, row);
        }
    }

    /** Marks where a page begins and ends. */
    void put(long offset, List<Anchor> page) {
        if (!page.isEmpty()) {
            put(offset + 1, page.getFirst());
            put(offset + page.size(), page.getLast());
        }
    }

    /** Says that there are marks throughout the order now. */
    void putThroughout() {
        throughout = true;
    }

    boolean isThroughout() {
        return throughout;
    }

    /**
     * The shortest way to the page of that size behind so many rows.
     *
     * @param total how many rows there are, where that is known; there are more than the offset
     */
    Route to(long offset, int size, @Nullable Long total) {
        Route best = Route.fromStart(offset, size);
        Map.Entry<Long, Anchor> before = byPlace.floorEntry(offset);
        if (before != null) {
            best = new Route(before.getValue(), false, offset - before.getKey(), size + 1);
        }
        Map.Entry<Long, Anchor> behind = byPlace.ceilingEntry(offset + size + 1);
        if (behind != null) {
            best = shorter(best, new Route(behind.getValue(), true, behind.getKey() - 1 - offset - size, size));
        }
        if (total != null) {
            long left = total - offset;
            best = shorter(best, new Route(null, true, Math.max(0, left - size), (int) Math.min(size, left)));
        }
        return best;
    }

    private static Route shorter(Route one, Route other) {
        return other.skip() < one.skip() ? other : one;
    }
}
