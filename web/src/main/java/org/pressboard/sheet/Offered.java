package org.pressboard.sheet;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Changing;
import org.pressboard.table.TableKey;

/**
 * What the visitor may change of a listing: as far as the listing offers it and grants let them.
 *
 * @param add  where a row is added; {@code null}: they may not
 * @param rows for each row that they may do something with, where
 */
public record Offered(@Nullable String add, Map<Long, Link> rows) {

    static final Offered NOTHING = new Offered(null, Map.of());

    /** Where something is done, and the key of the message that says what. */
    public record Link(String address, String message) {
    }

    public boolean isAny() {
        return !rows.isEmpty();
    }

    static Offered of(VisitorEditing editing, Visitor visitor, TableKey table, Changing changing, Place place,
            Collection<Long> rows) {
        if (!changing.isAny() || !place.isChangeable()) {
            return NOTHING;
        }
        Set<Long> changed = changing.change() ? editing.may(visitor, Verb.CHANGE, table, rows) : Set.of();
        Set<Long> removed = changing.remove() ? editing.may(visitor, Verb.REMOVE, table, rows) : Set.of();
        Map<Long, Link> links = new HashMap<>();
        removed.forEach(row -> links.put(row, new Link(place.rows() + "/" + row + "/remove", "change.remove")));
        changed.forEach(row -> links.put(row, new Link(place.rows() + "/" + row + "/change", "change.change")));
        boolean mayAdd = changing.add() && editing.mayAdd(visitor, table);
        return new Offered(mayAdd ? place.rows() + "/add" : null, links);
    }
}
