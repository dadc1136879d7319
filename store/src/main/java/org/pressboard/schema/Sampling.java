package org.pressboard.schema;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.QueryPart;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.rows.Picking;
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
    private static final Standpoint NOBODY = new Standpoint(LocalDate.EPOCH, null);

    private final DSLContext sql;
    private final TallyUpkeep tallies;

    Sampling(DSLContext sql, TallyUpkeep tallies) {
        this.sql = sql;
        this.tallies = tallies;
    }

    /** A row by what it is called, and what the field comes to there. */
    public record Sample(Optional<Value> called, Optional<Value> value) {
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
        Field settled = with.get(key).field(field.key());
        FieldKey heading = before.headingField().map(Field::key).orElse(field.key());
        List<Sample> samples = settled.computed() instanceof Computed.Tally tally
                ? tally(with, key, settled, tally, heading) : virtual(with, key, settled, heading);
        return new Result(settled, samples);
    }

    /** The field as it would be, and the first rows. */
    public record Result(Field field, List<Sample> samples) {
    }

    private List<Sample> virtual(Tables tables, TableKey key, Field field, FieldKey heading) {
        TableSql table = TableSql.of(Sight.whole(tables, key), NOBODY, Locale.ENGLISH);
        Picking picking = Picking.whole(table, List.of(heading, field.key()));
        return sql.select(picking.columns()).from(table.asTable()).orderBy(table.rowId()).limit(ROWS)
                .fetch(picking::row).stream().map(row -> new Sample(row.find(heading), row.find(field.key()))).toList();
    }

    private List<Sample> tally(Tables tables, TableKey key, Field field, Computed.Tally tally, FieldKey heading) {
        Table own = tables.get(key);
        QueryPart worked = tallies.expression(field, tally, tables.get(tally.table()));
        List<Long> first = sql.fetch("select row_id from {0} order by row_id limit {1}", TableSql.name(own),
                DSL.inline(ROWS)).map(found -> found.get(0, Long.class));
        List<Sample> samples = new ArrayList<>();
        TableSql table = TableSql.of(Sight.whole(tables, key), NOBODY, Locale.ENGLISH);
        Picking picking = Picking.whole(table, heading.equals(field.key()) ? List.of() : List.of(heading));
        for (Long row : first) {
            Record value = sql.fetchSingle("select {0} from {1} own where own.row_id = {2}", worked,
                    TableSql.name(own), DSL.val(row));
            Row named = sql.select(picking.columns()).from(table.asTable()).where(table.rowId().eq(row))
                    .fetchSingle(picking::row);
            samples.add(new Sample(named.find(heading), Optional.ofNullable(ValueSql.fromColumn(value.get(0)))));
        }
        return samples;
    }
}
