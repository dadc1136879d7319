package org.pressboard.editing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.source.Hosted;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What refers to rows, and what becomes of it when they are removed. */
@Component
public class Referrers {

    private final DSLContext sql;
    private final Catalog catalog;

    Referrers(DSLContext sql, Catalog catalog) {
        this.sql = sql;
        this.catalog = catalog;
    }

    /** Rows of a table that refer to some rows, and what becomes of them. */
    public record Against(Table table, org.pressboard.table.Field by, long rows, Referring.OnRemoval onRemoval) {
    }

    /** What refers to these rows. */
    @Transactional(readOnly = true)
    public List<Against> of(TableKey key, Collection<RowId> rows) {
        Tables tables = catalog.tables();
        return of(tables, tables.get(key), rows);
    }

    List<Against> of(Tables tables, Table table, Collection<RowId> rows) {
        List<Against> found = new ArrayList<>();
        for (Tables.Reference reference : tables.referringTo(table.key())) {
            Condition refers = DSL.condition(reference.by().type().isSeveral() ? "{0} && {1}" : "{0} = any({1})",
                    DSL.name(reference.by().key().name()), DSL.val(Hosted.array(rows)));
            int count = sql.fetchCount(DSL.selectOne().from(Hosted.name(reference.from())).where(refers));
            if (count > 0) {
                found.add(new Against(reference.from(), reference.by(), count,
                        ((Referring) reference.by().type()).onRemoval()));
            }
        }
        return found;
    }
}
