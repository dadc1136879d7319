package org.pressboard.schema;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Name;
import org.jooq.impl.DSL;
import org.pressboard.grant.Ownership;
import org.pressboard.scope.VisitorScope;
import org.pressboard.source.Hosted;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;

/**
 * The columns that fields of other tables show to all who see those ({@link Field#open()}), and those that lead from rows
 * to whose own they are: one view for each table, with these columns of all its rows and no others, past its row security.
 * All within the caller's transaction.
 */
@Component
class OpenFields {

    private final DSLContext sql;

    OpenFields(DSLContext sql) {
        this.sql = sql;
    }

    /** Takes all views away, so that the columns of tables can be altered. */
    void close() {
        for (String view : sql.fetch("select viewname from pg_views where schemaname = {0}",
                Hosted.openSchema()).getValues(0, String.class)) {
            sql.execute("drop view {0}", Hosted.open(new TableKey(view)));
        }
    }

    /** Makes the views say what the tables say. */
    void open(Tables tables) {
        close();
        columns(tables).forEach((key, columns) -> {
            Name view = Hosted.open(key);
            List<Name> names = columns.stream().map(column -> DSL.name(column.key().name())).toList();
            sql.execute("create view {0} as select {1}, {2} from {3}", view, Hosted.ROW, DSL.list(names),
                    Hosted.name(key));
            sql.execute("grant select on {0} to {1}", view, DSL.name(VisitorScope.ROLE));
        });
    }

    private static Map<TableKey, Set<Field>> columns(Tables tables) {
        Map<TableKey, Set<Field>> columns = new LinkedHashMap<>();
        for (Table table : tables.all()) {
            table.fields().stream().filter(Field::open).forEach(field -> add(tables, table, field, columns));
            if (table.owner() != null && Ownership.ways(tables, table).contains(table.owner())) {
                addWay(tables, table, table.owner().way(), columns);
            }
        }
        return columns;
    }

    private static void addWay(Tables tables, Table table, List<FieldKey> way, Map<TableKey, Set<Field>> columns) {
        Table at = table;
        for (int i = 1; i < way.size(); i++) {
            at = tables.target(at.field(way.get(i - 1)));
            add(at, at.field(way.get(i)), columns);
        }
    }

    private static void add(Tables tables, Table table, Field field, Map<TableKey, Set<Field>> columns) {
        if (field.computed() instanceof Computed.Borrowed borrowed) {
            Table at = tables.target(table.field(borrowed.through().getFirst()));
            for (FieldKey through : borrowed.through().subList(1, borrowed.through().size())) {
                add(at, at.field(through), columns);
                at = tables.target(at.field(through));
            }
            add(at, at.field(borrowed.field()), columns);
        } else if (field.type() instanceof Referring) {
            Table target = tables.target(field);
            target.headingField().ifPresent(heading -> add(target, heading, columns));
        }
    }

    /** Of what is put together, its parts. */
    private static void add(Table table, Field field, Map<TableKey, Set<Field>> columns) {
        if (field.computed() instanceof Computed.Composed composed) {
            composed.uses().forEach(part -> add(table, table.field(part), columns));
        } else if (field.isColumn()) {
            columns.computeIfAbsent(table.key(), key -> new LinkedHashSet<>()).add(field);
        }
    }
}
