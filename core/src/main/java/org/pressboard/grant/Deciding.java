package org.pressboard.grant;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.pressboard.table.Computed;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * The fields on which groups rest, of the members' table and of those that its tallies count: whoever writes one decides who
 * belongs to a group, and so what they may do. By default nobody does whom it is not expressly let.
 */
public final class Deciding {

    private final Map<TableKey, Map<FieldKey, List<Group>>> groups = new HashMap<>();
    private final Tables tables;

    private Deciding(Tables tables) {
        this.tables = tables;
    }

    /** What these groups rest on, in these tables as they are. */
    public static Deciding of(Tables tables, Collection<Group> groups) {
        Deciding deciding = new Deciding(tables);
        tables.people().map(tables::get).ifPresent(people -> groups.forEach(group ->
                group.of(tables, people).rows().fields().forEach(field -> deciding.rest(group, people, field, new HashSet<>()))));
        return deciding;
    }

    private record Place(TableKey table, FieldKey field) {
    }

    private void rest(Group group, Table table, FieldKey key, Set<Place> seen) {
        if (!seen.add(new Place(table.key(), key))) {
            return;
        }
        table.fields().find(key).ifPresent(field -> {
            switch (field.computed()) {
                case null -> groups.computeIfAbsent(table.key(), each -> new HashMap<>())
                        .computeIfAbsent(key, each -> new ArrayList<>()).add(group);
                case Computed.Borrowed borrowed ->
                        tables.stepsOf(table, field).forEach(step -> rest(group, step.from(), step.by().key(), seen));
                case Computed.Tally tally -> tally.counted().forEach(part -> rest(group, tables.get(tally.table()), part, seen));
                case Computed.Composed composed -> { }
                case Computed.Noted noted -> { }
            }
            field.computing().ifPresent(computed -> computed.uses().forEach(used -> rest(group, table, used, seen)));
        });
    }

    /** The fields of a table that decide who belongs to a group. */
    public Set<FieldKey> fields(TableKey table) {
        return groups.getOrDefault(table, Map.of()).keySet();
    }

    /** The groups for which a field decides that. */
    public List<Group> groups(TableKey table, FieldKey field) {
        return groups.getOrDefault(table, Map.of()).getOrDefault(field, List.of());
    }

    /** The tables with such fields. */
    public Set<TableKey> tables() {
        return Set.copyOf(groups.keySet());
    }
}
