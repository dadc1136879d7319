package org.pressboard.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** The ways to other pages of a sheet; queries are the query parts of addresses. */
public record Pager(@Nullable String previous, @Nullable String next, List<Link> links) {

    /** Where all there is stands on one page. */
    static final Pager NONE = new Pager(null, null, List.of());

    /** A page by its number; a gap has no query. */
    public record Link(String text, @Nullable String query, boolean current) {
    }

    public boolean isNeeded() {
        return previous != null || next != null;
    }
}
