package org.pressboard.rows;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jooq.Field;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** What is read of each row of a query, with the parts of composed texts, and the row as the core has it. */
public final class Picking {

    private final TableSql table;
    private final List<FieldKey> fields;
    private final List<Field<?>> columns = new ArrayList<>();
    private final Map<FieldKey, Integer> shown = new HashMap<>();
    private final Map<FieldKey, Integer> told = new HashMap<>();

    private Picking(TableSql table, List<FieldKey> fields) {
        this.table = table;
        this.fields = table.withParts(fields);
        columns.add(table.rowId());
    }

    /** These fields, every text whole. */
    public static Picking whole(TableSql table, List<FieldKey> fields) {
        Picking picking = new Picking(table, fields);
        picking.fields.forEach(key -> picking.add(table, key, table.shown(key)));
        return picking;
    }

    /** These fields, of texts no more than their first so many characters. */
    static Picking beginnings(TableSql table, List<FieldKey> fields, int characters) {
        Picking picking = new Picking(table, fields);
        picking.fields.forEach(key -> picking.add(table, key, table.beginning(key, characters)));
        return picking;
    }

    private void add(TableSql table, FieldKey key, Field<?> field) {
        shown.put(key, columns.size());
        columns.add(field);
        if (table.isReferring(key)) {
            told.put(key, columns.size());
            columns.add(table.told(key));
        }
    }

    public List<Field<?>> columns() {
        return columns;
    }

    public Row row(Record found) {
        Map<FieldKey, @Nullable Value> values = new HashMap<>();
        fields.forEach(key -> values.put(key, value(key, found)));
        return Row.of(found.get(0, RowId.class), values);
    }

    private @Nullable Value value(FieldKey key, Record found) {
        Object is = found.get(Objects.requireNonNull(shown.get(key)));
        Integer number = told.get(key);
        if (number == null) {
            return ValueSql.fromColumn(is, table.type(key));
        }
        if (table.type(key).isSeveral()) {
            return referred((Long[]) found.get(number), (String[]) is);
        }
        Long row = found.get(number, Long.class);
        return row == null ? null : new Value.Referred(new RowId(row), is == null ? "" : is.toString());
    }

    /** The rows and what they are called stand in the same order. */
    private static @Nullable Value referred(Long @Nullable [] rows, String @Nullable [] called) {
        if (rows == null || called == null) {
            return null;
        }
        List<Value> referred = new ArrayList<>();
        for (int i = 0; i < rows.length; i++) {
            referred.add(new Value.Referred(new RowId(rows[i]), called[i] == null ? "" : called[i]));
        }
        return referred.isEmpty() ? null : new Value.Several(referred);
    }
}
