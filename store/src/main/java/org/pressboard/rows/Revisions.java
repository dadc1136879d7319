package org.pressboard.rows;

import org.pressboard.change.ChangeFeed;
import org.pressboard.change.Revision;
import org.pressboard.listing.RowQuery;
import org.springframework.stereotype.Component;

/** Numbers the states of everything that a query's answer depends on: its table's rows, and those they lead to. */
@Component
class Revisions {

    private final ChangeFeed changes;

    Revisions(ChangeFeed changes) {
        this.changes = changes;
    }

    Revision of(RowQuery query) {
        return changes.rowsRevision(query.reached());
    }

    /** The same as the running transaction sees it, before it reads anything else. */
    Revision seen(RowQuery query) {
        return changes.rowsRevisionSeen(query.reached());
    }
}
