package org.pressboard.schema;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Folding;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;

/** The rows of a table by what they are called, and by their key, whatever case and accents either is written with. */
@Component
public class RowNames {

    /** Tables with more rows are not met by names. */
    public static final int MOST_NAMES = 200_000;
    private static final int MOST_MADE = 10_000;

    private final DSLContext sql;

    RowNames(DSLContext sql) {
        this.sql = sql;
    }

    /** A name as rows are met by. */
    public static String folded(String name) {
        return Folding.fold(name.strip());
    }

    /**
     * The numbers of all rows by their folded names; of several with one name, the first added.
     *
     * @throws ProblemsFound when there are more than can be met so
     */
    public Map<String, RowId> of(Tables tables, Table table) {
        Map<String, RowId> byName = new HashMap<>();
        table.headingField().ifPresent(heading -> meet(tables, table, heading.key(), byName));
        if (table.rowKey() != null) {
            meet(tables, table, table.rowKey(), byName);
        }
        if (byName.size() > MOST_NAMES) {
            throw ProblemsFound.of("retype.many-rows", table.label(), MOST_NAMES);
        }
        return byName;
    }

    private void meet(Tables tables, Table table, FieldKey by, Map<String, RowId> byName) {
        TableSql source = TableSql.of(Sight.whole(tables, table.key()), Standpoint.NOBODY, Locale.ENGLISH);
        sql.select(source.rowId(), source.shown(by)).from(source.asTable()).where(source.shown(by).isNotNull())
                .orderBy(source.rowId()).limit(MOST_NAMES + 1)
                .forEach(row -> byName.putIfAbsent(folded(PlainForm.write(Objects.requireNonNull(
                        ValueSql.fromColumn(row.get(1))))), row.value1()));
    }

    /** Whether the table has no more than so many rows. */
    public boolean areFew(Table table, int most) {
        return sql.fetchCount(DSL.selectOne().from(Hosted.name(table)).limit(most + 1)) <= most;
    }

    /**
     * Makes a row of each name.
     *
     * @throws ProblemsFound when such rows would need more than a name, or are too many
     */
    public void make(Table table, Collection<String> names) {
        Field heading = table.headingField().orElseThrow();
        boolean needsMore = table.entered().stream()
                .anyMatch(field -> field.rules().required() && !field.equals(heading));
        if (needsMore || !(heading.type() instanceof Textual.Text) || !heading.isEntered()) {
            throw ProblemsFound.of("retype.needs-more", table.label());
        }
        Map<String, String> missing = new LinkedHashMap<>();
        names.forEach(name -> missing.putIfAbsent(folded(name), name.strip()));
        if (missing.size() > MOST_MADE) {
            throw ProblemsFound.of("retype.many-missing", missing.size(), MOST_MADE);
        }
        if (!missing.isEmpty()) {
            sql.execute("insert into {0} ({1}) select unnest({2}::text[])", Hosted.name(table),
                    DSL.name(heading.key().name()), DSL.val(missing.values().toArray(String[]::new)));
        }
    }
}
