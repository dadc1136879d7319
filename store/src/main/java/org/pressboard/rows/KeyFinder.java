package org.pressboard.rows;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.value.Value;

/**
 * Finds the keys of one page of a row query.
 *
 * <p>Sorted by one field, the rows with a value come first and are found in the order of its index, whichever way it
 * runs; those without follow. So one index serves both directions with empty values last, and a page that follows
 * one already seen begins at its anchor instead of counting its way there.
 */
final class KeyFinder {

    /** About as many rows as can be looked at one by one in the time it takes to go through their order for as many. */
    private static final int COMMON = 1_000;

    private final DSLContext sql;
    private final RowQuery query;
    private final TableSql table;
    private Condition condition;
    private final @Nullable Anchor start;
    private final List<Anchor> found = new ArrayList<>();
    private @Nullable Integer matching;

    KeyFinder(DSLContext sql, RowQuery query, Locale language, @Nullable Anchor start) {
        this.sql = sql;
        this.query = query;
        this.table = new TableSql(query.table(), language);
        this.condition = table.condition(query.condition(), new OperandSql.Bound(query.standpoint()));
        this.start = start;
    }

    /** Whether pages in this order can begin at an anchor. */
    static boolean canBeginAtAnchor(RowQuery query) {
        return query.order().size() <= 1;
    }

    Keys find() {
        if (searchesWords(query.sought())) {
            chooseWay();
        }
        switch (query.order().size()) {
            case 0 -> findByNumber();
            case 1 -> findByField(query.order().getFirst());
            default -> findByFields();
        }
        boolean hasMore = found.size() > query.size();
        List<Anchor> page = hasMore ? found.subList(0, query.size()) : found;
        return new Keys(page.stream().map(Anchor::rowId).toList(), hasMore, page.isEmpty() ? null : page.getLast(),
                matching);
    }

    /**
     * Few rows that have the words are all fetched at once, and only they are put in order. Where there are many, the
     * first of them are found soonest by going through the rows in their order. PostgreSQL cannot tell: it has no idea
     * how often words occur within texts, takes them all for rare, and would collect and sort however many have them.
     */
    private void chooseWay() {
        List<Long> some = sql.select(table.rowId()).from(table.asTable()).where(condition).limit(COMMON + 1)
                .fetch(table.rowId());
        if (some.size() <= COMMON) {
            matching = some.size();
            condition = table.rowId().eq(DSL.any(some.toArray(Long[]::new)));
        } else if (canBeginAtAnchor(query)) {
            sql.execute("select set_config('enable_bitmapscan', 'off', true), "
                    + "set_config('enable_seqscan', 'off', true), set_config('enable_sort', 'off', true)");
        }
    }

    private static boolean searchesWords(org.pressboard.condition.Condition sought) {
        return switch (sought) {
            case org.pressboard.condition.Condition.All all -> all.parts().stream().anyMatch(KeyFinder::searchesWords);
            case org.pressboard.condition.Condition.Any any -> any.parts().stream().anyMatch(KeyFinder::searchesWords);
            case org.pressboard.condition.Condition.Not not -> searchesWords(not.part());
            case org.pressboard.condition.Condition.Compare compare -> compare.operator().isForText();
            case org.pressboard.condition.Condition.OneOf oneOf -> false;
            case org.pressboard.condition.Condition.Empty empty -> false;
        };
    }

    private int missing() {
        return query.size() + 1 - found.size();
    }

    private void findByNumber() {
        Condition from = start == null ? DSL.noCondition() : table.rowId().gt(start.rowId());
        collect(condition.and(from), List.of(), start == null ? query.offset() : 0);
    }

    private void findByFields() {
        collect(condition, query.order(), query.offset());
    }

    private void findByField(SortBy sort) {
        Field<?> field = table.collated(sort.field());
        Condition withValue = condition.and(table.column(sort.field()).isNotNull());
        if (start == null) {
            collectWithValue(withValue, sort, query.offset());
        } else if (start.value() != null) {
            collectWithValue(withValue.and(behind(field, sort, start.value(), start.rowId())), sort, 0);
        }
        if (missing() > 0) {
            findWithoutValue(sort, withValue);
        }
    }

    private void collectWithValue(Condition which, SortBy sort, long offset) {
        // no "nulls last" here: there are none, and the index could not be read backwards with it
        Field<?> field = table.collated(sort.field());
        collect(sql.select(table.rowId(), table.column(sort.field())).from(table.asTable()).where(which)
                .orderBy(sort.descending() ? field.desc() : field.asc(), byNumber(sort))
                .limit(missing()).offset(offset).fetch());
    }

    private void findWithoutValue(SortBy sort, Condition withValue) {
        boolean isWithin = start != null && start.value() == null;
        Condition from = start != null && isWithin ? behindNumber(sort, start.rowId()) : DSL.noCondition();
        long offset = start == null && found.isEmpty() ? query.offset() - passed(withValue) : 0;
        collect(sql.select(table.rowId(), table.column(sort.field())).from(table.asTable())
                .where(condition.and(table.column(sort.field()).isNull()).and(from))
                .orderBy(byNumber(sort)).limit(missing()).offset(Math.max(0, offset)).fetch());
    }

    private long passed(Condition withValue) {
        return query.offset() == 0 ? 0 : sql.fetchCount(sql.selectOne().from(table.asTable()).where(withValue));
    }

    private Condition behind(Field<?> field, SortBy sort, Value value, long rowId) {
        String template = sort.descending() ? "({0}, {1}) < ({2}, {3})" : "({0}, {1}) > ({2}, {3})";
        return DSL.condition(template, field, table.rowId(), ValueSql.bound(value), DSL.val(rowId));
    }

    private Condition behindNumber(SortBy sort, long rowId) {
        return sort.descending() ? table.rowId().lt(rowId) : table.rowId().gt(rowId);
    }

    private org.jooq.SortField<Long> byNumber(SortBy sort) {
        return sort.descending() ? table.rowId().desc() : table.rowId().asc();
    }

    private void collect(Condition which, List<SortBy> order, long offset) {
        collect(sql.select(table.rowId()).from(table.asTable()).where(which)
                .orderBy(table.order(order, query.isLastDescending())).limit(missing()).offset(offset).fetch());
    }

    private void collect(Iterable<? extends Record> rows) {
        for (Record row : rows) {
            Value value = row.size() > 1 ? ValueSql.fromColumn(row.get(1)) : null;
            found.add(new Anchor(value, row.get(0, Long.class)));
        }
    }
}
