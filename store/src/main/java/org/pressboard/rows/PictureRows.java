package org.pressboard.rows;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.grant.Visitor;
import org.pressboard.sql.TableSql;
import org.pressboard.table.FieldKey;
import org.pressboard.table.FieldType;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whether a picture stands in a row that somebody may see; asked under their row security. */
@Component
public class PictureRows {

    private final Catalog catalog;
    private final DSLContext sql;
    private final VisitorScope scope;
    private final Clock clock;

    PictureRows(Catalog catalog, DSLContext sql, VisitorScope scope, Clock clock) {
        this.catalog = catalog;
        this.sql = sql;
        this.scope = scope;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public boolean isShown(Table table, String picture, Visitor visitor) {
        List<FieldKey> fields = table.fields().keysWhere(FieldType.Picture.class::isInstance);
        boolean allowed = catalog.published().maySee(visitor, table.key()).isAllowed();
        if (fields.isEmpty() || !allowed) {
            return false;
        }
        scope.enter(visitor, visitor.on(LocalDate.now(clock)));
        TableSql tableSql = new TableSql(table, Locale.ENGLISH);
        List<Condition> anyField = fields.stream()
                .map(field -> DSL.condition("{0} = {1}", tableSql.column(field), DSL.val(picture))).toList();
        return sql.fetchExists(DSL.selectOne().from(tableSql.asTable()).where(DSL.or(anyField)));
    }
}
