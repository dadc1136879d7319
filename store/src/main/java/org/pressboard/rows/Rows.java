package org.pressboard.rows;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.ChangeFeed;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.memory.Budget;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.scope.VisitorScope;
import org.pressboard.source.Hosted;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.Table;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Answers row queries: the keys of the page first, found with all indexes at hand; then the rows of these keys, under
 * the visitor's row security. An error in the first lock so shows too few rows, never too many.
 *
 * <p>Answers are kept until the rows change (see {@link ChangeFeed}).
 */
@Component
public class Rows {

    private static final long MOST_KEPT_BYTES = 32L * 1024 * 1024;

    /** Of longer texts a page that people look at has so much at most, the less the more cells it has. */
    private static final int LONGEST_TO_LOOK_AT = 4_000;
    private static final int SHORTEST_TO_LOOK_AT = 200;
    private static final int MOST_TO_LOOK_AT = 8_000_000;

    /** So many bytes of text a whole page has at most. */
    private static final long MOST_BYTES_OF_A_PAGE = 8L * 1024 * 1024;

    private record Key(long revision, RowQuery query, Locale language, boolean whole) {

        private Key at(long other) {
            return new Key(other, query, language, whole);
        }
    }

    private final DSLContext sql;
    private final VisitorScope scope;
    private final RowCounts counts;
    private final Bookmarks bookmarks;
    private final Revisions revisions;
    private final TransactionTemplate reading;
    private final Cache<Key, Slice> kept;

    Rows(DSLContext sql, VisitorScope scope, RowCounts counts, Bookmarks bookmarks, Revisions revisions, Budget budget,
            PlatformTransactionManager transactions) {
        this.kept = Caffeine.newBuilder().maximumWeight(budget.setAside(Budget.Use.ANSWERS, MOST_KEPT_BYTES))
                .weigher((Key key, Slice slice) -> slice.weight()).build();
        this.sql = sql;
        this.scope = scope;
        this.counts = counts;
        this.bookmarks = bookmarks;
        this.revisions = revisions;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /** A number that changes whenever the rows do that the query's answer depends on. */
    public long revision(RowQuery query) {
        return revisions.of(query).number();
    }

    /**
     * The page of rows that the query asks for, to look at: texts sorted as the language does, and of very long ones the
     * beginning.
     */
    public RowPage page(RowQuery query, Locale language) {
        return page(query, language, false);
    }

    /**
     * The same with every text whole.
     *
     * @throws ProblemsFound when that would be more than can be given at once
     */
    public RowPage wholePage(RowQuery query, Locale language) {
        return page(query, language, true);
    }

    private RowPage page(RowQuery query, Locale language, boolean whole) {
        Slice slice = slice(new Key(revision(query), query, language, whole));
        Total told = toldByPage(query, slice);
        Total found = told != null ? told : counts.count(query, language, known(query, slice));
        Total outOf = query.isSearched() ? counts.count(query.withoutSearch(), language, found.atLeast()) : found;
        return new RowPage(slice.rows(), found, outOf, slice.hasMore());
    }

    /**
     * The row of that key, every text whole, if it is among those that the query takes before anything is sought.
     *
     * @param key the value of the table's key field in plain form, else the row's number
     */
    public Optional<Row> one(RowQuery query, Locale language, String key) {
        return Objects.requireNonNull(reading.execute(status -> numbered(query.table(), key)
                .flatMap(row -> among(query, language, List.of(row)).stream().findFirst())));
    }

    /** The same by the numbers of rows, whatever their keys; in the order of the numbers. */
    public List<Row> numbered(RowQuery query, Locale language, List<RowId> numbers) {
        return Objects.requireNonNull(reading.execute(status -> among(query, language, numbers)));
    }

    private List<Row> among(RowQuery query, Locale language, List<RowId> numbers) {
        return rows(new Key(0, query, language, true), within(query, language, numbers));
    }

    private Optional<RowId> numbered(Table table, String key) {
        if (table.rowKey() == null) {
            return RowId.read(key);
        }
        org.pressboard.table.Field field = table.field(table.rowKey());
        return field.type().read(key).flatMap(value -> sql.select(Hosted.ID).from(Hosted.name(table))
                .where(DSL.condition("{0} = {1}", TableSql.column(field), ValueSql.bound(value))).fetchOptional(Hosted.ID));
    }

    private List<RowId> within(RowQuery query, Locale language, List<RowId> numbers) {
        TableSql table = TableSql.of(query, language);
        Set<RowId> within = sql.select(table.rowId()).from(table.asTable())
                .where(table.conditionRowByRow(query.within())).and(Hosted.oneOf(table.rowId(), numbers))
                .fetchSet(table.rowId());
        return numbers.stream().filter(within::contains).toList();
    }

    /** The rows of that page alone, for whom it is all the same how many there are. */
    public List<Row> rows(RowQuery query, Locale language) {
        return slice(new Key(revision(query), query, language, false)).rows();
    }

    /** How many rows the query matches, as far as that is soon known. */
    public Total count(RowQuery query, Locale language) {
        return counts.count(query, language, 0);
    }

    /** How many rows the query matches, counted to the end. */
    public Total.Exactly countToEnd(RowQuery query, Locale language) {
        return counts.countToEnd(query, language);
    }

    private Slice slice(Key key) {
        Slice slice = kept.getIfPresent(key);
        return slice == null ? Objects.requireNonNull(reading.execute(status -> read(key))) : slice;
    }

    /** Kept under the state that is read, which is an earlier one where the database lags behind what was heard. */
    private Slice read(Key asked) {
        Key key = asked.at(revisions.seen(asked.query).number());
        Keys keys = keys(key);
        Slice slice = new Slice(rows(key, keys.rowIds()), keys.hasMore());
        kept.put(key, slice);
        return slice;
    }

    private static long known(RowQuery query, Slice slice) {
        return slice.rows().isEmpty() ? 0 : query.offset() + slice.rows().size() + (slice.hasMore() ? 1 : 0);
    }

    /** The last page always tells how many there are. */
    private static @Nullable Total toldByPage(RowQuery query, Slice slice) {
        boolean isLast = !slice.hasMore() && (!slice.rows().isEmpty() || query.page() == 1);
        return isLast ? new Total.Exactly(query.offset() + slice.rows().size()) : null;
    }

    private Keys keys(Key key) {
        RowQuery query = key.query;
        TableSql table = TableSql.of(query, key.language);
        if (!Stretch.canBeginAnywhere(query)) {
            return new KeyFinder(sql, query, table, Route.fromStart(query.offset(), query.size())).find();
        }
        Long total = counts.known(query);
        if (total != null && total <= query.offset()) {
            return Keys.NONE;
        }
        Marks marks = bookmarks.of(key.revision, query, key.language);
        Route way = marks.to(query.offset(), query.size(), total);
        Keys keys = new KeyFinder(sql, query, table, way).find();
        marks.put(query.offset(), keys.page());
        bookmarks.gone(way, query, key.language, marks);
        return keys;
    }

    private List<Row> rows(Key key, List<RowId> rowIds) {
        if (rowIds.isEmpty()) {
            return List.of();
        }
        RowQuery query = key.query;
        // from here on the transaction is the visitor's
        scope.enter(query.visitor(), query.standpoint());
        TableSql table = TableSql.underLock(query, key.language);
        Condition these = Hosted.oneOf(table.rowId(), rowIds);
        if (key.whole) {
            refuseTooMuch(query, table, these);
        }
        int longest = Math.clamp(MOST_TO_LOOK_AT / Math.max(1, rowIds.size() * query.show().size()),
                SHORTEST_TO_LOOK_AT, LONGEST_TO_LOOK_AT);
        Picking picking = key.whole ? Picking.whole(table, query.show())
                : Picking.beginnings(table, query.show(), longest);
        Map<RowId, Row> byId = new HashMap<>();
        sql.select(picking.columns()).from(table.asTable()).where(these)
                .forEach(found -> byId.put(found.get(0, RowId.class), picking.row(found)));
        return rowIds.stream().map(byId::get).filter(Objects::nonNull).toList();
    }

    private void refuseTooMuch(RowQuery query, TableSql table, Condition these) {
        Long bytes = sql.select(DSL.sum(table.bytesOfTexts(query.show()))).from(table.asTable()).where(these)
                .fetchOne(0, Long.class);
        if (bytes != null && bytes > MOST_BYTES_OF_A_PAGE) {
            throw ProblemsFound.of("page-too-large", MOST_BYTES_OF_A_PAGE / 1024 / 1024);
        }
    }
}
