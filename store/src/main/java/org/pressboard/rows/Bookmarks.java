package org.pressboard.rows;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.Select;
import org.jooq.impl.DSL;
import org.pressboard.listing.RowQuery;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.springframework.stereotype.Component;

/**
 * The marks in all orders that somebody reads. Whoever goes far into one has it leafed through in the background, once
 * for each state of the rows, so that those who come later find marks all over it.
 */
@Component
class Bookmarks {

    /** Passing over so many rows is quick enough. */
    static final int NEAR = 10_000;

    /** Rows between two marks put by leafing through. */
    private static final int BETWEEN = 1_000;

    private record Key(long revision, RowQuery query, Locale language) {
    }

    private final DSLContext sql;
    private final BackgroundReading background;
    private final Cache<Key, Marks> kept = Caffeine.newBuilder().maximumSize(100).build();

    Bookmarks(DSLContext sql, BackgroundReading background) {
        this.sql = sql;
        this.background = background;
    }

    /** The marks in the query's order, at that state of the rows. */
    Marks of(long revision, RowQuery query, Locale language) {
        return kept.get(new Key(revision, query.onPage(1), language), key -> new Marks());
    }

    /** Puts marks throughout the order when the way just gone was long. */
    void leafThrough(Way gone, RowQuery query, Locale language, Marks marks) {
        if (gone.skip() > NEAR && !query.sought().comparesText() && !marks.isThroughout()) {
            background.read("leafing through " + query.table().key(),
                    () -> read(query, new TableSql(query.table(), language), marks));
        }
    }

    /** Only the first stretch: rows without a value come last, and are near the end. */
    private void read(RowQuery query, TableSql table, Marks marks) {
        Stretch stretch = Stretch.of(query, table, false).getFirst();
        Field<Integer> place = DSL.field(DSL.name("place"), Integer.class);
        List<Field<?>> columns = new ArrayList<>(stretch.marking());
        columns.add(DSL.rowNumber().over(DSL.orderBy(stretch.order())).as(place));
        Condition condition = table.condition(query.condition(), new OperandSql.Bound(query.standpoint()));
        Select<? extends Record> all = sql.select(columns).from(table.asTable())
                .where(condition.and(stretch.rows()));
        List<Field<?>> wanted = new ArrayList<>(stretch.marking());
        wanted.add(place);
        sql.select(wanted).from(DSL.table(all).as("placed")).where(place.mod(BETWEEN).eq(0))
                .limit(Marks.MOST / 2).forEach(row -> marks.put(row.get(place), stretch.marked(row)));
        marks.putThroughout();
    }
}
