package org.pressboard.rows;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.sql.SQLException;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.ChangeFeed;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.table.TableKey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Counts what row queries match: exactly up to a bound, so that counting never holds up the rows. Counts are kept
 * until the rows change. How many rows there are at all is counted to the end in the background.
 */
@Component
class RowCounts {

    /** Beyond this many, rows are not counted unless somebody asks. */
    static final int BOUND = 50_000;

    /** A count that takes longer is not waited for. */
    private static final String LONGEST = "50ms";

    private static final Logger LOG = LoggerFactory.getLogger(RowCounts.class);
    private static final Locale ANY_LANGUAGE = Locale.ENGLISH;

    /** What is counted: where the condition does not ask who looks or when, the count is the same for all. */
    private record Key(long revision, TableKey table, Condition condition, @Nullable Standpoint standpoint) {
    }

    private final DSLContext sql;
    private final ChangeFeed changes;
    private final TransactionTemplate reading;
    private final Set<TableKey> underWay = ConcurrentHashMap.newKeySet();
    private final Cache<Key, Total> kept = Caffeine.newBuilder().maximumSize(10_000).build();

    RowCounts(DSLContext sql, ChangeFeed changes, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.changes = changes;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /**
     * Counts up to the bound, as long as that is quick. Where it is not, the answer is that there are more than are
     * known already, and the rest is counted in the background for whoever asks next.
     *
     * @param known how many rows are known to match
     */
    Total count(RowQuery query, long known) {
        Key key = key(query);
        Total total = kept.getIfPresent(key);
        if (total == null) {
            total = countQuickly(query, known);
            if (total instanceof Total.Exactly) {
                kept.put(key, total);
            } else {
                countToEndInBackground(query, key);
            }
        }
        return total;
    }

    private Total countQuickly(RowQuery query, long known) {
        try {
            return Objects.requireNonNull(reading.execute(status -> {
                sql.execute("set local statement_timeout = {0}", DSL.inline(LONGEST));
                return countToBound(query);
            }));
        } catch (RuntimeException failed) {
            if (!isTimeout(failed)) {
                throw failed;
            }
            return new Total.MoreThan(Math.max(0, known - 1));
        }
    }

    /** SQL state 57014 is PostgreSQL's "query canceled". */
    private static boolean isTimeout(RuntimeException failed) {
        return NestedExceptionUtils.getMostSpecificCause(failed) instanceof SQLException cause
                && "57014".equals(cause.getSQLState());
    }

    /** Counts to the end, however many there are. */
    Total.Exactly countToEnd(RowQuery query) {
        Key key = key(query);
        if (kept.getIfPresent(key) instanceof Total.Exactly exactly) {
            return exactly;
        }
        Long rows = reading.execute(status -> sql.fetchValue(DSL.selectCount().from(matching(query))).longValue());
        Total.Exactly total = new Total.Exactly(Objects.requireNonNull(rows));
        kept.put(key, total);
        return total;
    }

    private Total countToBound(RowQuery query) {
        int rows = sql.fetchValue(DSL.selectCount().from(matching(query).limit(BOUND + 1)));
        return rows > BOUND ? new Total.MoreThan(BOUND) : new Total.Exactly(rows);
    }

    private org.jooq.SelectLimitStep<?> matching(RowQuery query) {
        TableSql table = new TableSql(query.table(), ANY_LANGUAGE);
        return DSL.selectOne().from(table.asTable())
                .where(table.condition(query.condition(), new OperandSql.Bound(query.standpoint())));
    }

    /** One at a time for each table: while rows keep changing, counting must not become all that the database does. */
    private void countToEndInBackground(RowQuery query, Key key) {
        if (!underWay.add(key.table)) {
            return;
        }
        Thread.ofVirtual().name("count " + query.table().key()).start(() -> {
            try {
                countToEnd(query);
            } catch (DataAccessException | TransactionException | org.jooq.exception.DataAccessException failed) {
                LOG.info("Could not count {} to the end: {}", query.table().key(), failed.getMessage());
            } finally {
                underWay.remove(key.table);
            }
        });
    }

    private Key key(RowQuery query) {
        Condition condition = query.condition();
        TableKey table = query.table().key();
        return new Key(changes.rowsRevision(table), table, condition,
                condition.dependsOnStandpoint() ? query.standpoint() : null);
    }
}
