package org.pressboard.rows;

import java.time.Clock;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.scope.VisitorScope;
import org.pressboard.source.Hosted;
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
        Standpoint standpoint = visitor.at(LocalDateTime.now(clock));
        List<Condition> places = visitor.isStaff() ? List.of(anywhere(table, content)) : places(table, content, visitor, standpoint);
        if (places.isEmpty()) {
            return false;
        }
        scope.enter(visitor, standpoint);
        return sql.fetchSingle(DSL.select(DSL.field(DSL.or(places)))).value1();
    }

    private static Condition anywhere(Table table, String content) {
        TableSql rows = TableSql.plain(table);
        return isIn(rows, table.fields().keysWhere(Attached.class::isInstance), content, DSL.noCondition());
    }

    /** That it is in a row of one of the listings, each as it is on its page. */
    private List<Condition> places(Table table, String content, Visitor visitor, Standpoint standpoint) {
        Sight sight = catalog.published().sight(visitor, table.key());
        List<Condition> places = new ArrayList<>();
        for (PublishedSite.PublishedListing found : catalog.published().listingsOf(table.key(), visitor)) {
            Listing listing = found.listing();
            List<FieldKey> fields = table.fields().keysWhere(Attached.class::isInstance).stream().filter(listing.seen()::contains).toList();
            TableSql rows = TableSql.underLock(sight.reaching(listing.reached()), standpoint.on(found.page()), Locale.ENGLISH);
            if (!fields.isEmpty()) {
                places.add(isIn(rows, fields, content, rows.condition(listing.keep())));
            }
        }
        return places;
    }

    private static Condition isIn(TableSql rows, List<FieldKey> fields, String content, Condition kept) {
        return DSL.exists(DSL.selectOne().from(rows.asTable()).where(kept).and(DSL.or(fields.stream()
                .map(field -> isIn(rows, field, content)).toList())));
    }

    private static Condition isIn(TableSql table, FieldKey field, String content) {
        return table.type(field).isSeveral()
                ? DSL.condition("{0} @> array[{1}]::text[]", Hosted.contents(table.shown(field)), DSL.val(content))
                : DSL.condition("left({0}, 64) = {1}", table.shown(field), DSL.val(content));
    }
}
