package org.pressboard.filling;

import java.util.Set;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Entry;
import org.pressboard.history.RowHistory;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;

/** Which of what they have done is still visitors' to take back. */
@Component
class Theirs {

    private static final int MOST_ROWS = 1000;

    private final RowHistory history;
    private final VisitorEditing editing;

    Theirs(RowHistory history, VisitorEditing editing) {
        this.history = history;
        this.editing = editing;
    }

    /** What others may have let through since is nobody's to take back who could not change it now. */
    boolean is(Table table, Visitor visitor, long act) {
        return history.ofAct(table, act, MOST_ROWS).stream().filter(entry -> entry.verb() != Entry.Verb.REMOVED)
                .allMatch(entry -> !editing.may(visitor, entry.verb() == Entry.Verb.ADDED ? Verb.REMOVE : Verb.CHANGE, table.key(),
                        Set.of(entry.rowId())).isEmpty());
    }
}
