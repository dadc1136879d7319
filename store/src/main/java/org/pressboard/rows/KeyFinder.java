package org.pressboard.rows;

import java.util.ArrayList;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Select;
import org.pressboard.listing.RowQuery;
import org.pressboard.sql.TableSql;

/** Finds the keys of one page of a row query, along a given way. For one use. */
final class KeyFinder {

    /** So many rows are gone through in their order in the hope that words are common, before an index is asked. */
    private static final int LOOKED_AT = 3_000;

    private final DSLContext sql;
    private final RowQuery query;
    private final TableSql table;
    private final Route way;
    private final List<Stretch> stretches;
    private final Condition condition;

    KeyFinder(DSLContext sql, RowQuery query, TableSql table, Route way) {
        this.sql = sql;
        this.query = query;
        this.table = table;
        this.way = way;
        this.condition = table.condition(query.condition());
        Anchor from = way.from();
        this.stretches = Stretch.of(query, table, way.backwards()).stream()
                .dropWhile(stretch -> from != null && !stretch.has(from)).toList();
    }

    Keys find() {
        if (!query.sought().comparesText()) {
            return page(collect());
        }
        List<Anchor> near = Stretch.canBeginAnywhere(query) ? lookAt() : List.of();
        return near.isEmpty() ? sortAll() : page(near);
    }

    private Keys page(List<Anchor> found) {
        List<Anchor> page = found.subList(0, Math.min(found.size(), query.size()));
        return new Keys(way.backwards() ? page.reversed() : page, way.hasMore(found.size()));
    }

    /**
     * The first rows that have common words are found soonest by going through the rows in their order; none where that
     * is in vain. To go on through the order would cost the more the later they come in it. PostgreSQL cannot tell, as
     * it has no idea where words occur.
     */
    private List<Anchor> lookAt() {
        long needed = way.skip() + way.take();
        if (needed > LOOKED_AT) {
            return List.of();
        }
        Stretch first = stretches.getFirst();
        Select<?> near = sql.select(table.everything()).from(table.asTable()).where(within(first))
                .orderBy(first.order()).limit(LOOKED_AT);
        List<Anchor> found = sql.select(first.marking()).from(table.over(near))
                .where(table.conditionRowByRow(query.condition())).orderBy(first.order()).limit(needed)
                .fetch(first::marked);
        return found.size() < needed ? List.of() : found.subList((int) way.skip(), found.size());
    }

    /**
     * Fetches all rows that match, by whatever index serves, and only then puts them in order. Where none does, as for
     * one letter or two, several go through the rows side by side, which no other reading may.
     */
    private Keys sortAll() {
        sql.execute("set local max_parallel_workers_per_gather = 2");
        Stretch all = Stretch.all(query, table);
        Select<?> matching = sql.select(table.everything()).from(table.asTable()).where(condition).offset(0);
        List<Anchor> found = sql.select(all.marking()).from(table.over(matching)).orderBy(all.order())
                .limit(query.size() + 1).offset(query.offset()).fetch(all::marked);
        return new Keys(found.subList(0, Math.min(found.size(), query.size())), found.size() > query.size());
    }

    private List<Anchor> collect() {
        List<Anchor> found = new ArrayList<>();
        long skip = way.skip();
        for (Stretch stretch : stretches) {
            Condition which = condition.and(within(stretch));
            List<Anchor> rows = sql.select(stretch.marking()).from(table.asTable()).where(which)
                    .orderBy(stretch.order()).limit(way.take() - found.size()).offset(skip).fetch(stretch::marked);
            found.addAll(rows);
            if (found.size() == way.take()) {
                break;
            }
            // no row beyond those to be passed over: the stretch ends before, and some are left to pass over
            skip = skip == 0 || !rows.isEmpty() ? 0 : skip - count(which);
        }
        return found;
    }

    private int count(Condition which) {
        return sql.fetchCount(sql.selectOne().from(table.asTable()).where(which));
    }

    private Condition within(Stretch stretch) {
        Anchor from = way.from();
        return from != null && stretch.has(from) ? stretch.behind(from) : stretch.rows();
    }
}
