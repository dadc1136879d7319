package org.pressboard.rows;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.ChangeFeed;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
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

    private record Key(long revision, RowQuery query) {
    }

    private final DSLContext sql;
    private final VisitorScope scope;
    private final RowCounts counts;
    private final ChangeFeed changes;
    private final TransactionTemplate reading;
    private final Cache<Key, Slice> kept = Caffeine.newBuilder()
            .maximumWeight(MOST_KEPT_BYTES).weigher((Key key, Slice slice) -> slice.weight()).build();
    private final Cache<Anchor.Key, Anchor> anchors = Caffeine.newBuilder().maximumSize(20_000).build();

    Rows(DSLContext sql, VisitorScope scope, RowCounts counts, ChangeFeed changes,
            PlatformTransactionManager transactions) {
        this.sql = sql;
        this.scope = scope;
        this.counts = counts;
        this.changes = changes;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /** A number that changes whenever the rows of the query's table do. */
    public long revision(RowQuery query) {
        return changes.rowsRevision(query.table().key());
    }

    /** The page of rows that the query asks for, texts sorted as the language does. */
    public RowPage page(RowQuery query, Locale language) {
        Key key = new Key(revision(query), query);
        Slice slice = kept.getIfPresent(key);
        Total found = slice == null ? null : found(query, slice);
        Total outOf = counts.keptFor(query.withoutSearch());
        if (slice != null && found != null && outOf != null) {
            return new RowPage(slice.rows(), found, outOf, slice.hasMore());
        }
        return Objects.requireNonNull(reading.execute(status -> read(key, language)));
    }

    /** How many rows the query matches, counted to the end. */
    public Total.Exactly countToEnd(RowQuery query) {
        return counts.countToEnd(query);
    }

    private RowPage read(Key key, Locale language) {
        RowQuery query = key.query;
        Slice slice = kept.getIfPresent(key);
        Keys keys = slice == null ? keys(key, language) : null;
        Total outOf = counts.count(query.withoutSearch());
        Total found = query.isSearched() ? searched(query, slice, keys) : outOf;
        if (slice == null) {
            // last: from here on the transaction is the visitor's
            slice = new Slice(rows(query, Objects.requireNonNull(keys).rowIds(), language), keys.hasMore());
            kept.put(key, slice);
        }
        return new RowPage(slice.rows(), found, outOf, slice.hasMore());
    }

    private Total searched(RowQuery query, @Nullable Slice slice, @Nullable Keys keys) {
        int rows = slice != null ? slice.rows().size() : Objects.requireNonNull(keys).rowIds().size();
        boolean hasMore = slice != null ? slice.hasMore() : Objects.requireNonNull(keys).hasMore();
        Total told = toldByPage(query, rows, hasMore);
        return told != null ? told : counts.count(query);
    }

    private @Nullable Total found(RowQuery query, Slice slice) {
        Total told = toldByPage(query, slice.rows().size(), slice.hasMore());
        return told != null ? told : counts.keptFor(query);
    }

    /** The last page tells how many there are, without counting. */
    private static @Nullable Total toldByPage(RowQuery query, int rows, boolean hasMore) {
        boolean isLast = !hasMore && (rows > 0 || query.page() == 1);
        return isLast ? new Total.Exactly(query.offset() + rows) : null;
    }

    private Keys keys(Key key, Locale language) {
        RowQuery query = key.query;
        Anchor start = query.page() > 1 && KeyFinder.canBeginAtAnchor(query)
                ? anchors.getIfPresent(anchorKey(key, query.page() - 1)) : null;
        Keys keys = new KeyFinder(sql, query, language, start).find();
        if (keys.end() != null && keys.hasMore()) {
            anchors.put(anchorKey(key, query.page()), keys.end());
        }
        return keys;
    }

    private static Anchor.Key anchorKey(Key key, int page) {
        return new Anchor.Key(key.revision, key.query.onPage(1), page);
    }

    private List<Row> rows(RowQuery query, List<Long> rowIds, Locale language) {
        if (rowIds.isEmpty()) {
            return List.of();
        }
        scope.enter(query.visitor(), query.standpoint());
        TableSql table = new TableSql(query.table(), language);
        List<Field<?>> columns = new ArrayList<>();
        columns.add(table.rowId());
        query.show().forEach(field -> columns.add(table.column(field)));
        Map<Long, Row> byId = new HashMap<>();
        sql.select(columns).from(table.asTable()).where(table.rowId().eq(org.jooq.impl.DSL.any(array(rowIds))))
                .forEach(found -> byId.put(found.get(0, Long.class), row(query.show(), found)));
        return rowIds.stream().map(byId::get).filter(Objects::nonNull).toList();
    }

    private static Long[] array(List<Long> rowIds) {
        return rowIds.toArray(Long[]::new);
    }

    private static Row row(List<FieldKey> fields, Record found) {
        Map<FieldKey, @Nullable Value> values = new HashMap<>();
        for (int i = 0; i < fields.size(); i++) {
            values.put(fields.get(i), ValueSql.fromColumn(found.get(i + 1)));
        }
        return Row.of(found.get(0, Long.class), values);
    }
}
