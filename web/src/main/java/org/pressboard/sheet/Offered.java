package org.pressboard.sheet;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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

    /** Where something is done, and what it is called. */
    public record Link(String address, String text) {
    }

    public boolean isAny() {
        return !rows.isEmpty();
    }

    static Offered of(VisitorEditing editing, Visitor visitor, TableKey table, Changing changing, Place place,
            Collection<Long> rows, Words words) {
        if (!changing.isAny() || !place.isChangeable()) {
            return NOTHING;
        }
        Map<Long, Link> links = new HashMap<>();
        if (changing.change()) {
            editing.may(visitor, Verb.CHANGE, table, rows).forEach(row -> links.put(row,
                    new Link(place.changing("/" + row + "/change"), words.say("change.change"))));
        }
        if (changing.remove()) {
            // of a row that is changed, the form leads on to that
            List<Long> others = rows.stream().filter(row -> !links.containsKey(row)).toList();
            editing.may(visitor, Verb.REMOVE, table, others).forEach(row -> links.put(row,
                    new Link(place.changing("/" + row + "/remove"), words.say("change.remove"))));
        }
        boolean mayAdd = changing.add() && editing.mayAdd(visitor, table);
        return new Offered(mayAdd ? place.changing("/add") : null, links);
    }
}
