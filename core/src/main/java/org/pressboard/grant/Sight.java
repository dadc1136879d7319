package org.pressboard.grant;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/**
 * A table as somebody sees it: what of its rows, and of those of the tables around it that its fields lead to.
 *
 * @param rows   which rows of each table are seen; none of those that are not named
 * @param partly of tables of whose rows somebody does not see all fields: these, and in which of the rows that are seen each
 *               is, too
 */
public record Sight(Table table, Tables tables, Map<TableKey, Condition> rows, Map<TableKey, Map<FieldKey, Condition>> partly) {

    public Sight {
        rows = Map.copyOf(rows);
        partly = Map.copyOf(partly);
    }

    /** All fields of the rows that are seen. */
    public Sight(Table table, Tables tables, Map<TableKey, Condition> rows) {
        this(table, tables, rows, Map.of());
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
        return new Sight(tables.get(other), tables, rows, partly);
    }

    /** The same with fields of other tables that are reached through references beside the table's own. */
    public Sight reaching(Collection<FieldKey> fields) {
        return new Sight(tables.reaching(table, fields), tables, rows, partly);
    }

    /** The same with these rows of the table itself, and all fields of them. */
    public Sight seeing(Condition own) {
        Map<TableKey, Condition> others = new HashMap<>(rows);
        others.put(table.key(), own);
        Map<TableKey, Map<FieldKey, Condition>> parts = new HashMap<>(partly);
        parts.remove(table.key());
        return new Sight(table, tables, others, parts);
    }

    /** Whether what is seen, of whichever table, differs with the browser of whoever looks. */
    public boolean dependsOnBrowser() {
        return rows.values().stream().anyMatch(Condition::dependsOnBrowser)
                || partly.values().stream().flatMap(fields -> fields.values().stream()).anyMatch(Condition::dependsOnBrowser);
    }

    /** Which rows of one of the tables are seen, as these rows are: what they ask about need not be seen of them. */
    public Condition rows(TableKey of) {
        return rows.getOrDefault(of, Condition.NEVER);
    }

    /**
     * What has to be asked of the rows of one of the tables, so that they are those that are seen. Nothing where some fields
     * of them are not: whatever hides these hides rows, for which it looks at them as they are.
     */
    public Condition asked(TableKey of) {
        return isPartly(of) && !rows(of).equals(Condition.NEVER) ? Condition.ALWAYS : rows(of);
    }

    /** The fields of one of the tables that somebody does not see in all rows; with each, in which seen rows it is. */
    public Map<FieldKey, Condition> partly(TableKey of) {
        return partly.getOrDefault(of, Map.of());
    }

    /** Whether there are such fields of one of the tables. */
    public boolean isPartly(TableKey of) {
        return partly.containsKey(of);
    }

    /** The fields of the table that are seen in none of its rows. */
    public Set<FieldKey> hidden() {
        return partly(table.key()).entrySet().stream().filter(field -> field.getValue().equals(Condition.NEVER))
                .map(Map.Entry::getKey).collect(Collectors.toSet());
    }

    /**
     * The tables of which a field shows something, but no rows are seen, so that it looks empty; none where all who see the
     * field see just that.
     */
    public Set<TableKey> blind(Field field) {
        return switch (field.computed()) {
            case null -> field.type() instanceof Referring ? behind(field) : Set.of();
            case Computed.Borrowed borrowed -> behind(field);
            case Computed.Composed composed -> composed.uses().stream().flatMap(used -> blind(table.field(used)).stream())
                    .collect(Collectors.toSet());
            case Computed.Tally tally -> Set.of();
            case Computed.Noted noted -> Set.of();
        };
    }

    private Set<TableKey> behind(Field field) {
        return field.open() ? Set.of() : tables.reachedFrom(table, List.of(field.key())).stream()
                .filter(other -> rows(other).equals(Condition.NEVER)).collect(Collectors.toSet());
    }

    /** What is seen of a row of the table; nothing where it is not. */
    public Optional<Row> seen(Row row, Standpoint standpoint) {
        if (!rows(table.key()).holds(row, standpoint)) {
            return Optional.empty();
        }
        Map<FieldKey, Value> values = new HashMap<>(row.values());
        partly(table.key()).forEach((field, in) -> {
            if (!in.holds(row, standpoint)) {
                values.remove(field);
            }
        });
        return Optional.of(new Row(row.id(), values, row.sender()));
    }
}
