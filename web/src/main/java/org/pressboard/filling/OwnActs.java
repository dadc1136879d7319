package org.pressboard.filling;

import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Entry;
import org.pressboard.history.RowHistory;
import org.pressboard.table.Table;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;

/** Which of what they have done is still visitors' to take back. */
@Component
class OwnActs {

    private static final int MOST_ROWS = 1000;

    private final RowHistory history;
    private final VisitorEditing editing;

    OwnActs(RowHistory history, VisitorEditing editing) {
        this.history = history;
        this.editing = editing;
    }

    /** What others may have let through since is nobody's to take back who could not change it now. */
    boolean is(Table table, Visitor visitor, long act) {
        Map<Entry.Verb, Set<RowId>> rows = history.ofAct(table, act, MOST_ROWS).stream()
                .collect(Collectors.groupingBy(Entry::verb, Collectors.mapping(Entry::rowId, Collectors.toSet())));
        return mayAll(visitor, Verb.REMOVE, table, rows.getOrDefault(Entry.Verb.ADDED, Set.of()))
                && mayAll(visitor, Verb.CHANGE, table, rows.getOrDefault(Entry.Verb.CHANGED, Set.of()));
    }

    private boolean mayAll(Visitor visitor, Verb verb, Table table, Set<RowId> rows) {
        return editing.may(visitor, verb, table.key(), rows).containsAll(rows);
    }
}
