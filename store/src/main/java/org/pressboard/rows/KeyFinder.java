package org.pressboard.rows;

import java.util.ArrayList;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Select;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.RowQuery;
import org.pressboard.sql.TableSql;

/** Finds the keys of one page of a row query, along a given way. For one use. */
final class KeyFinder {

    /** So many rows are gone through in their order in the hope that words are common, before an index is asked. */
    private static final int LOOKED_AT = 3_000;

    /** So many when these had many with the words, but not enough for a page further on. */
    private static final int LOOKED_AT_FURTHER = 30_000;
    private static final int MANY = 90;

    /** As many rows as can well be handed to and fro. */
    private static final int FEW = 30_000;

    private final DSLContext sql;
    private final RowQuery query;
    private final TableSql table;
    private final Way way;
    private final List<Stretch> stretches;
    private Condition condition;
    private @Nullable Integer matching;

    KeyFinder(DSLContext sql, RowQuery query, TableSql table, Way way) {
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
        List<Anchor> found = query.sought().comparesText() ? findWords() : collect();
        List<Anchor> page = found.subList(0, Math.min(found.size(), query.size()));
        return new Keys(way.backwards() ? page.reversed() : page, way.hasMore(found.size()), matching);
    }

    /**
     * The first rows that have common words are found soonest by going through the rows in their order. Where that is
     * in vain, all that have them are fetched, by the index of words, and put in order: to go on through the order
     * would cost the more the later they come in it. PostgreSQL cannot tell, as it has no idea how often words occur
     * within texts, nor where.
     */
    private List<Anchor> findWords() {
        if (!Stretch.canBeginAnywhere(query)) {
            return collect();
        }
        long needed = way.skip() + way.take();
        List<Anchor> near = lookAt(LOOKED_AT, needed);
        if (near.size() < needed && near.size() >= MANY
                && needed * LOOKED_AT <= (long) near.size() * LOOKED_AT_FURTHER) {
            near = lookAt(LOOKED_AT_FURTHER, needed);
        }
        if (near.size() == needed) {
            return near.subList((int) way.skip(), near.size());
        }
        fetchWordsFirst();
        return collect();
    }

    /** Those that match among the first so many rows. */
    private List<Anchor> lookAt(int rows, long atMost) {
        Stretch first = stretches.getFirst();
        Select<?> near = sql.select(table.everything()).from(table.asTable()).where(within(first))
                .orderBy(first.order()).limit(rows);
        return sql.select(first.marking()).from(table.over(near)).where(condition).orderBy(first.order()).limit(atMost)
                .fetch(first::marked);
    }

    private void fetchWordsFirst() {
        List<Long> some = sql.select(table.rowId()).from(table.asTable()).where(condition).limit(FEW + 1)
                .fetch(table.rowId());
        if (some.size() <= FEW) {
            matching = some.size();
            condition = table.rowId().eq(DSL.any(some.toArray(Long[]::new)));
        } else {
            sql.execute("select set_config('enable_indexscan', 'off', true)");
        }
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
