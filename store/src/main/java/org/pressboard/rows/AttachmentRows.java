package org.pressboard.rows;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Attached;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Whether a file stands in a row that somebody may see; asked under their row security. */
@Component
public class AttachmentRows {

    private final Catalog catalog;
    private final DSLContext sql;
    private final VisitorScope scope;
    private final Clock clock;

    AttachmentRows(Catalog catalog, DSLContext sql, VisitorScope scope, Clock clock) {
        this.catalog = catalog;
        this.sql = sql;
        this.scope = scope;
        this.clock = clock;
    }

    /**
     * Whether the file stands in a row that the visitor may see, in a field that a published listing shows of it; for
     * staff in any row.
     */
    @Transactional(readOnly = true)
    public boolean isShown(Table table, String content, Visitor visitor) {
        Standpoint standpoint = visitor.on(LocalDate.now(clock));
        Sight sight = catalog.published().sight(visitor, table.key());
        TableSql tableSql = TableSql.underLock(sight.reaching(catalog.published().listingsOf(table.key(), visitor).stream()
                .flatMap(listing -> listing.reached().stream()).toList()), standpoint, Locale.ENGLISH);
        List<Condition> places = places(table, tableSql, content, visitor);
        if (places.isEmpty()) {
            return false;
        }
        scope.enter(visitor, standpoint);
        return sql.fetchExists(DSL.selectOne().from(tableSql.asTable()).where(DSL.or(places)));
    }

    private List<Condition> places(Table table, TableSql tableSql, String content, Visitor visitor) {
        List<FieldKey> fields = table.fields().keysWhere(Attached.class::isInstance);
        if (visitor.isStaff()) {
            return fields.stream().map(field -> isIn(tableSql, field, content)).toList();
        }
        List<Condition> places = new ArrayList<>();
        for (Listing listing : catalog.published().listingsOf(table.key(), visitor)) {
            Condition kept = tableSql.condition(listing.keep());
            fields.stream().filter(listing.seen()::contains)
                    .forEach(field -> places.add(isIn(tableSql, field, content).and(kept)));
        }
        return places;
    }

    private static Condition isIn(TableSql table, FieldKey field, String content) {
        return DSL.condition(table.type(field).isSeveral() ? "hosted.contents({0}) @> array[{1}]::text[]"
                : "left({0}, 64) = {1}", table.shown(field), DSL.val(content));
    }
}
