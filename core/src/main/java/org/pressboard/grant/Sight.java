package org.pressboard.grant;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.pressboard.condition.Condition;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * A table as somebody sees it: what of its rows, and of those of the tables around it that its fields lead to.
 *
 * @param rows which rows of each table are seen; none of those that are not named
 */
public record Sight(Table table, Tables tables, Map<TableKey, Condition> rows) {

    public Sight {
        rows = Map.copyOf(rows);
    }

    /** The table alone, all of it. */
    public static Sight of(Table table) {
        return new Sight(table, Tables.alone(table), Map.of(table.key(), Condition.ALWAYS));
    }

    /** The table and all around it, as those see it who may see everything. */
    public static Sight whole(Tables tables, TableKey table) {
        Map<TableKey, Condition> rows = new HashMap<>();
        tables.all().forEach(each -> rows.put(each.key(), Condition.ALWAYS));
        return new Sight(tables.get(table), tables, rows);
    }

    /** Another of the tables, as the same person sees it. */
    public Sight of(TableKey other) {
        return new Sight(tables.get(other), tables, rows);
    }

    /** The same with fields of other tables that are reached through references beside the table's own. */
    public Sight reaching(Collection<FieldKey> fields) {
        return new Sight(tables.reaching(table, fields), tables, rows);
    }

    /** The same with these rows of the table itself. */
    public Sight seeing(Condition own) {
        Map<TableKey, Condition> others = new HashMap<>(rows);
        others.put(table.key(), own);
        return new Sight(table, tables, others);
    }

    /** Which rows of one of the tables are seen. */
    public Condition rows(TableKey of) {
        return rows.getOrDefault(of, Condition.NEVER);
    }
}
