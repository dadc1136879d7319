package org.pressboard.rows;

import java.util.Set;
import org.pressboard.change.ChangeFeed;
import org.pressboard.change.Revision;
import org.pressboard.listing.RowQuery;
import org.pressboard.table.TableKey;
import org.springframework.stereotype.Component;

/** Numbers the states of everything that a query's answer depends on: its table's rows, and those they lead to. */
@Component
class Revisions {

    private final ChangeFeed changes;

    Revisions(ChangeFeed changes) {
        this.changes = changes;
    }

    Revision of(RowQuery query) {
        Set<TableKey> reached = query.reached();
        if (reached.size() == 1) {
            return changes.rowsRevision(query.table().key());
        }
        // each change has a number beyond all before; of what rows elsewhere do to this table's, nothing is certain
        long latest = reached.stream().mapToLong(table -> changes.rowsRevision(table).number()).max().orElseThrow();
        return new Revision(latest, latest, 0);
    }
}
