package org.pressboard.rows;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
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
import org.pressboard.sql.TableSql;
import org.springframework.stereotype.Component;

/**
 * The marks in all orders that somebody reads. Whoever goes far into one has it leafed through in the background, so
 * that those who come later find marks all over it; also when the rows have changed since, for a while.
 */
@Component
class Bookmarks {

    /** Passing over so many rows is quick enough. */
    static final int NEAR = 10_000;

    /** Rows between two marks put by leafing through. */
    private static final int BETWEEN = 1_000;

    /** So long after somebody went far into an order, it is worth leafing through again when its rows have changed. */
    private static final Duration REMEMBERED = Duration.ofMinutes(10);

    private record Order(RowQuery query, Locale language) {
    }

    private record Key(long revision, Order order) {
    }

    private final DSLContext sql;
    private final BackgroundReading background;
    private final Cache<Key, Marks> kept = Caffeine.newBuilder().maximumSize(100).build();
    private final Cache<Order, Boolean> readFar =
            Caffeine.newBuilder().maximumSize(100).expireAfterWrite(REMEMBERED).build();

    Bookmarks(DSLContext sql, BackgroundReading background) {
        this.sql = sql;
        this.background = background;
    }

    /** The marks in the query's order, at that state of the rows. */
    Marks of(long revision, RowQuery query, Locale language) {
        Order order = new Order(query.onPage(1), language);
        Key key = new Key(revision, order);
        Marks marks = kept.get(key, missing -> new Marks());
        if (readFar.getIfPresent(order) != null) {
            leafThrough(order, marks);
        }
        return marks;
    }

    /** Says which way was gone to a page. After a long one, the order gets marks throughout. */
    void gone(Route way, RowQuery query, Locale language, Marks marks) {
        if (way.skip() > NEAR && !query.sought().comparesText()) {
            Order order = new Order(query.onPage(1), language);
            readFar.put(order, true);
            leafThrough(order, marks);
        }
    }

    private void leafThrough(Order order, Marks marks) {
        if (!marks.isThroughout()) {
            RowQuery query = order.query;
            background.read("leafing through " + query.table().key(),
                    () -> read(query, TableSql.of(query, order.language), marks));
        }
    }

    /** Only the first stretch: rows without a value come last, and are near the end. */
    private void read(RowQuery query, TableSql table, Marks marks) {
        Stretch stretch = Stretch.of(query, table, false).getFirst();
        Field<Integer> place = DSL.field(DSL.name("place"), Integer.class);
        List<Field<?>> columns = new ArrayList<>();
        List<Field<?>> wanted = new ArrayList<>();
        stretch.marking().forEach(mark -> {
            Field<?> named = mark.as("mark_" + columns.size());
            columns.add(named);
            wanted.add(DSL.field(named.getUnqualifiedName(), mark.getDataType()));
        });
        columns.add(DSL.rowNumber().over(DSL.orderBy(stretch.order())).as(place));
        Condition condition = table.condition(query.condition());
        Select<? extends Record> all = sql.select(columns).from(table.asTable())
                .where(condition.and(stretch.rows()));
        wanted.add(place);
        sql.select(wanted).from(DSL.table(all).as("placed")).where(place.mod(BETWEEN).eq(0))
                .limit(Marks.MOST / 2).forEach(row -> marks.put(row.get(place), stretch.marked(row)));
        marks.putThroughout();
    }
}
