package org.pressboard.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The ways to other pages of a sheet; queries are the query parts of addresses.
 *
 * @param more  the state with further rows under those there are; {@code null}: there are none, or too many
 * @param bound that no more rows stand under each other; {@code null} where that is not reached
 * @param sizes how many rows may make a page; none where that cannot be chosen
 */
public record Pager(@Nullable String previous, @Nullable String next, List<Link> links, @Nullable String more,
                    @Nullable String bound, List<Link> sizes) {

    /** Where all there is stands on one page. */
    static final Pager NONE = new Pager(null, null, List.of(), null, null, List.of());

    /** A page by its number; a gap has no query. */
    public record Link(String text, @Nullable String query, boolean current) {
    }

    public boolean isNeeded() {
        return previous != null || next != null;
    }
}
