package org.pressboard.schema;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.QueryPart;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.rows.Picking;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What a computed field would come to in the first rows, before it is made. */
@Component
public class Sampling {

    private static final int ROWS = 6;

    private final DSLContext sql;
    private final TallyUpkeep tallies;

    Sampling(DSLContext sql, TallyUpkeep tallies) {
        this.sql = sql;
        this.tallies = tallies;
    }

    /**
     * @return the field with the type that it would have, and the samples
     * @throws org.pressboard.problem.ProblemsFound when it cannot be worked out so
     */
    @Transactional(readOnly = true)
    public Result of(Tables tables, TableKey key, Field field) {
        Table before = tables.get(key);
        List<Field> fields = new ArrayList<>(before.fields().stream()
                .filter(each -> !each.key().equals(field.key())).toList());
        fields.add(field);
        Tables with = tables.with(before.with(new Fields(fields)));
        Table table = with.get(key);
        Field settled = table.field(field.key());
        List<FieldKey> named = before.headingField().map(Field::key).stream().toList();
        return new Result(table, settled, settled.computed() instanceof Computed.Tally tally
                ? tally(with, table, settled, tally, named)
                : first(with, table, Stream.concat(named.stream(), Stream.of(settled.key())).toList()));
    }

    /**
     * The table and the field as they would be, and the first rows.
     *
     * @param rows what each is called, and what the field comes to in it
     */
    public record Result(Table table, Field field, List<Row> rows) {
    }

    private List<Row> first(Tables tables, Table table, List<FieldKey> fields) {
        TableSql as = TableSql.of(Sight.whole(tables, table.key()), Standpoint.NOBODY, Locale.ENGLISH);
        Picking picking = Picking.whole(as, fields);
        return sql.select(picking.columns()).from(as.asTable()).orderBy(as.rowId()).limit(ROWS).fetch(picking::row);
    }

    private List<Row> tally(Tables tables, Table table, Field field, Computed.Tally tally, List<FieldKey> named) {
        QueryPart worked = tallies.expression(tables, field, tally);
        return first(tables, table, named).stream().map(row -> {
            Record found = sql.fetchSingle("select {0} from {1} {3} where {3}.{4} = {2}", worked,
                    Hosted.name(table), DSL.val(row.id(), Hosted.TYPE), TallyUpkeep.OWN, Hosted.ROW);
            Map<FieldKey, @Nullable Value> values = new HashMap<>(row.values());
            values.put(field.key(), ValueSql.fromColumn(found.get(0)));
            return Row.of(row.id(), values);
        }).toList();
    }
}
