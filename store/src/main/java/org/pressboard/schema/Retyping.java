package org.pressboard.schema;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.Cursor;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.history.RowHistory;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.source.Hosted;
import org.pressboard.sql.LongWork;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Chosen;
import org.pressboard.table.Conversion;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;

/** Carries the values of a field over into another kind. */
@Component
public class Retyping {

    private static final int EXAMPLES = 10;
    private static final int BATCH = 5_000;
    private static final int MOST_OPTIONS = 100;
    private static final int MOST_DIFFERENT = 200_000;

    private final DSLContext sql;
    private final RowNames names;
    private final RowHistory history;

    Retyping(DSLContext sql, RowNames names, RowHistory history) {
        this.history = history;
        this.sql = sql;
        this.names = names;
    }

    /**
     * How values would go with another kind.
     *
     * @param values   how many there are
     * @param misfits  how many of them do not fit
     * @param examples the first that do not
     */
    public record Preview(long values, long misfits, List<String> examples) {
    }

    /** Where it points to, of a kind that points somewhere. */
    static Optional<TableKey> target(FieldType type) {
        return type instanceof Referring referring ? Optional.of(referring.to()) : Optional.empty();
    }

    static Optional<Referring.OnRemoval> onRemoval(FieldType type) {
        return type instanceof Referring referring ? Optional.of(referring.onRemoval()) : Optional.empty();
    }

    /** A choice that offers nothing yet offers what there is. */
    FieldType completed(Table table, FieldKey key, FieldType type) {
        if (!(type instanceof Chosen chosen) || !chosen.options().isEmpty()) {
            return type;
        }
        // in the order in which rows have them, the first of them first
        Set<String> found = new LinkedHashSet<>();
        TableSql from = TableSql.plain(table);
        org.jooq.Field<?> column = ValueSql.plainForm(TableSql.column(table.field(key)), table.field(key).type());
        sql.select(column).from(from.asTable()).groupBy(column).orderBy(DSL.min(from.rowId())).limit(MOST_OPTIONS + 1)
                .forEach(row -> {
                    if (row.get(0) != null) {
                        row.get(0).toString().lines().filter(line -> !line.isBlank()).forEach(found::add);
                    }
                });
        if (found.size() > MOST_OPTIONS) {
            throw ProblemsFound.of("retype.many-options", MOST_OPTIONS);
        }
        return chosen.offering(found.stream().map(text -> new Chosen.Option(text, Chosen.Colour.PLAIN)).toList());
    }

    Preview preview(Tables tables, Table table, FieldKey key, FieldType type) {
        Field from = table.field(key);
        Conversion conversion = conversion(tables, from.type(), completed(table, key, type));
        long[] counts = new long[2];
        List<String> examples = new ArrayList<>();
        TableSql source = TableSql.of(Sight.whole(tables, table.key()), Standpoint.NOBODY, Locale.ENGLISH);
        try (Cursor<? extends Record> rows = sql.select(source.shown(key)).from(source.asTable())
                .where(source.shown(key).isNotNull()).orderBy(source.rowId()).fetchSize(BATCH).fetchLazy()) {
            for (Record row : rows) {
                counts[0]++;
                Value value = Objects.requireNonNull(ValueSql.fromColumn(row.get(0), from.type()));
                if (conversion.convert(value).isEmpty()) {
                    counts[1]++;
                    if (examples.size() < EXAMPLES) {
                        examples.add(PlainForm.write(value));
                    }
                }
            }
        }
        return new Preview(counts[0], counts[1], examples);
    }

    /** Rows are met by what they are called, whatever case and accents it is written with. */
    private Conversion conversion(Tables tables, FieldType from, FieldType to) {
        return new Conversion(from, to, to instanceof Referring referring
                ? names.of(tables, tables.get(referring.to())) : Map.of());
    }

    /** Makes a row of the table that is to be pointed to of each text that names none yet. */
    void makeMissing(Tables tables, Table table, FieldKey key, Referring to) {
        Conversion conversion = conversion(tables, table.field(key).type(), to);
        Set<String> missing = new LinkedHashSet<>();
        TableSql source = TableSql.of(Sight.whole(tables, table.key()), Standpoint.NOBODY, Locale.ENGLISH);
        sql.selectDistinct(source.shown(key)).from(source.asTable()).where(source.shown(key).isNotNull())
                .limit(MOST_DIFFERENT).forEach(row -> {
                    String text = PlainForm.write(Objects.requireNonNull(ValueSql.fromColumn(row.get(0)))).strip();
                    if (!text.isEmpty() && conversion.convert(Value.of(text)).isEmpty()) {
                        missing.add(text);
                    }
                });
        names.make(tables.get(to.to()), missing);
    }

    /** Fills the new column of a field with what the values of its former one, now in the bin, come to. */
    void carryOver(Tables tables, Table table, Field was, Bin.RemovedField kept, Field is, long act) {
        LongWork.begin(sql);
        sql.fetch("select set_config('pressboard.quiet', 'on', true)");
        Conversion conversion = conversion(tables, was.type(), is.type());
        List<Long> rows = new ArrayList<>();
        List<@Nullable String> values = new ArrayList<>();
        long last = 0;
        while (last >= 0) {
            last = batch(tables, table, was, kept, conversion, is, act, last, rows, values);
        }
        sql.fetch("select set_config('pressboard.quiet', '', true)");
    }

    private long batch(Tables tables, Table table, Field was, Bin.RemovedField kept, Conversion conversion, Field is,
            long act, long after, List<Long> rows, List<@Nullable String> values) {
        rows.clear();
        values.clear();
        long last = -1;
        for (Record row : former(tables, table, was, kept, after)) {
            last = row.get(0, Long.class);
            Value value = Objects.requireNonNull(ValueSql.fromColumn(row.get(1), was.type()));
            Optional<Value> converted = conversion.convert(value);
            converted.ifPresent(fits -> {
                rows.add(row.get(0, Long.class));
                values.add(PlainForm.write(fits));
            });
            if (converted.isEmpty()) {
                history.putDown(table, is, act, new RowId(last), value);
            }
        }
        if (!rows.isEmpty()) {
            fill(table, is, rows, values);
        }
        return last;
    }

    /** What the former values are; of references, what the rows are called. */
    private List<? extends Record> former(Tables tables, Table table, Field was, Bin.RemovedField kept, long after) {
        org.jooq.Field<?> column = DSL.field(DSL.name(kept.column()), ValueSql.columnType(was.type()));
        org.jooq.Field<Long> rowId = DSL.field(Hosted.ROW, Long.class);
        if (was.type() instanceof Referring referring) {
            Table target = tables.get(referring.to());
            TableSql named = TableSql.of(Sight.whole(tables, target.key()), Standpoint.NOBODY, Locale.ENGLISH);
            org.jooq.Field<?> heading = named.shown(target.headingField().orElseThrow().key());
            org.jooq.Field<?> called = referring.isSeveral()
                    ? DSL.field("(select array_agg({0} order by _each.place) from unnest(_held.referred) with "
                            + "ordinality _each (row, place), {1} where {2} = _each.row)", SQLDataType.CLOB.array(), heading,
                            named.asTable(), named.rowId())
                    : DSL.field("(select {0} from {1} where {2} = _held.referred)", SQLDataType.CLOB, heading, named.asTable(),
                            named.rowId());
            return sql.select(rowId, called).from(DSL.table("(select {0}, {1} as referred from {2}) _held", rowId, column,
                    Hosted.name(table))).where(rowId.gt(after)).and(DSL.condition("_held.referred is not null"))
                    .orderBy(rowId).limit(BATCH).fetch();
        }
        return sql.select(rowId, column).from(Hosted.name(table)).where(rowId.gt(after)).and(column.isNotNull())
                .orderBy(rowId).limit(BATCH).fetch();
    }

    private void fill(Table table, Field field, List<Long> rows, List<@Nullable String> values) {
        String type = ValueSql.typeName(field.type());
        sql.execute("update {0} kept set {1} = " + (field.type().isSeveral()
                        ? "string_to_array(given.value, E'\\n')::" : "given.value::") + type
                        + " from unnest({2}::bigint[], {3}::text[]) given (id, value) where kept.{4} = given.id",
                Hosted.name(table), DSL.name(field.key().name()), DSL.val(rows.toArray(Long[]::new)),
                DSL.val(values.stream().map(text -> field.type() instanceof FieldType.YesNo
                        ? String.valueOf("yes".equals(text)) : text).toArray(String[]::new)), Hosted.ROW);
    }
}
