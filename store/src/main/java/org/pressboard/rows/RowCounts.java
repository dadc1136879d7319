package org.pressboard.rows;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.Revision;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.sql.Canceled;
import org.pressboard.sql.TableSql;
import org.pressboard.table.TableKey;
import org.pressboard.turn.Busy;
import org.pressboard.turn.Turns;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Counts what row queries match: exactly up to a bound, so that counting never holds up the rows. Counts are kept
 * until the rows change. Where it takes long to count anew, what is certain from the last count is told meanwhile:
 * as many as there were, less those altered or removed since. That holds for conditions on the table's own fields.
 */
@Component
class RowCounts {

    /** Beyond this many, rows are not counted unless somebody asks. */
    static final int BOUND = 50_000;

    /**
     * What is counted: of the standpoint there is what the condition asks for, so the count is the same for all for whom that
     * is the same, and who see the same of the tables that it leads to.
     */
    private record Key(TableKey table, Condition condition, Map<TableKey, Seen> seen, Standpoint standpoint) {
    }

    /** What is seen of a table. */
    private record Seen(Condition rows, Map<FieldKey, Condition> partly) {

        private Stream<Condition> conditions() {
            return Stream.concat(Stream.of(rows), partly.values().stream());
        }
    }

    /** @param whole whether it was counted to the end; else there were at least so many, and to find out more takes long */
    private record Counted(Revision at, long rows, boolean whole, long nanos) {
    }

    /** So few are seen one by one: that they are "more than 420" after 422 is worth a moment's wait. */
    private static final int FEW = 1_000;

    private static final int AT_ONCE = 2;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(5);
    private static final Duration LONGEST_COUNT = Duration.ofSeconds(20);

    private final DSLContext sql;
    private final Revisions revisions;
    private final BackgroundReading background;
    private final TransactionTemplate reading;
    private final Duration longest;
    private final Duration quick;
    private final Turns turns = new Turns(AT_ONCE);
    private final Map<Key, CompletableFuture<Long>> underWay = new ConcurrentHashMap<>();
    private final Cache<Key, Counted> kept = Caffeine.newBuilder().maximumSize(10_000).build();

    /**
     * @param longest a count that takes longer is not waited for
     * @param quick   a count that took longer is not done again while somebody waits, if much of it is still certain and they
     *                are not few
     */
    RowCounts(DSLContext sql, Revisions revisions, BackgroundReading background,
            PlatformTransactionManager transactions, @Value("${pressboard.longest-count:50ms}") Duration longest,
            @Value("${pressboard.quick-count:5ms}") Duration quick) {
        this.quick = quick;
        this.sql = sql;
        this.revisions = revisions;
        this.background = background;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
        this.longest = longest;
    }

    /** How many rows match, if that is known without counting. */
    @Nullable Long known(RowQuery query) {
        Counted counted = kept.getIfPresent(key(query));
        return counted != null && isExact(counted, query) ? counted.rows : null;
    }

    /**
     * Counts up to the bound, as long as that is quick. Where it is not, the answer is that there are more than are
     * known already, and the rest is counted in the background for whoever asks next; nobody else waits to find that out.
     *
     * @param language the one that the indexes sort by; what is counted is the same in all
     * @param known    how many rows are known to match
     */
    Total count(RowQuery query, Locale language, long known) {
        Counted counted = kept.getIfPresent(key(query));
        if (counted != null && isExact(counted, query)) {
            return new Total.Exactly(counted.rows);
        }
        long certain = counted == null ? known : Math.max(known, revision(query).leftOf(counted.rows, counted.at));
        boolean isWorthwhile = certain <= BOUND
                && (counted == null || isQuick(counted) || certain < counted.rows / 2);
        Total total = isWorthwhile ? countQuickly(query, language, certain, counted) : moreThan(certain);
        if (total instanceof Total.MoreThan) {
            background.read("counting " + query.table().key(), () -> countAll(query, language));
        }
        return total;
    }

    private boolean isQuick(Counted counted) {
        Duration most = counted.rows <= FEW ? longest : quick;
        return counted.whole && counted.nanos <= most.toNanos() && counted.rows <= BOUND;
    }

    /** Fewer than are certain, and a number that can be read at a glance. */
    private static Total moreThan(long certain) {
        long rounding = 1;
        while (certain / rounding >= 1_000) {
            rounding *= 10;
        }
        return new Total.MoreThan(Math.max(0, (certain - 1) / rounding * rounding));
    }

    private Total countQuickly(RowQuery query, Locale language, long certain, @Nullable Counted before) {
        Revision at = revision(query);
        try {
            return Objects.requireNonNull(reading.execute(status -> {
                sql.execute("set local statement_timeout = {0}", DSL.inline(longest.toMillis()));
                return countToBound(query, language);
            }));
        } catch (RuntimeException failed) {
            if (!Canceled.is(failed)) {
                throw failed;
            }
            remember(key(query), before, new Counted(at, certain, false, longest.toNanos()));
            return moreThan(certain);
        }
    }

    /** Unless somebody else has counted meanwhile. */
    private void remember(Key key, @Nullable Counted before, Counted now) {
        kept.asMap().compute(key, (same, is) -> is == before ? now : is);
    }

    private Total countToBound(RowQuery query, Locale language) {
        Revision at = revisions.seen(query);
        long start = System.nanoTime();
        int rows = sql.fetchValue(DSL.selectCount().from(matching(query, language).limit(BOUND + 1)));
        kept.put(key(query), new Counted(at, rows, rows <= BOUND, System.nanoTime() - start));
        return rows > BOUND ? new Total.MoreThan(BOUND) : new Total.Exactly(rows);
    }

    /**
     * Counts to the end, however many there are. Few count at once, and the same only once, whoever asks.
     *
     * @throws Busy when there is no turn to be had
     */
    Total.Exactly countToEnd(RowQuery query, Locale language) {
        Long known = known(query);
        if (known != null) {
            return new Total.Exactly(known);
        }
        CompletableFuture<Long> mine = new CompletableFuture<>();
        CompletableFuture<Long> others = underWay.putIfAbsent(key(query), mine);
        return new Total.Exactly(others == null ? countFor(mine, query, language) : await(others));
    }

    private long countFor(CompletableFuture<Long> all, RowQuery query, Locale language) {
        try {
            long rows = turns.take(LONGEST_WAIT,
                    () -> Objects.requireNonNull(reading.execute(status -> countAll(query, language))));
            all.complete(rows);
            return rows;
        } catch (RuntimeException failed) {
            all.completeExceptionally(failed);
            throw failed;
        } finally {
            underWay.remove(key(query), all);
        }
    }

    private static long await(CompletableFuture<Long> others) {
        try {
            return others.get(LONGEST_COUNT.toMillis(), TimeUnit.MILLISECONDS);
        } catch (ExecutionException failed) {
            throw failed.getCause() instanceof RuntimeException cause ? cause
                    : new IllegalStateException(failed.getCause());
        } catch (TimeoutException stillCounting) {
            throw new Busy(LONGEST_WAIT);
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            throw new Busy(LONGEST_WAIT);
        }
    }

    private long countAll(RowQuery query, Locale language) {
        Revision at = revisions.seen(query);
        long start = System.nanoTime();
        long rows = sql.fetchValue(DSL.selectCount().from(matching(query, language))).longValue();
        kept.put(key(query), new Counted(at, rows, true, System.nanoTime() - start));
        return rows;
    }

    private org.jooq.SelectLimitStep<?> matching(RowQuery query, Locale language) {
        TableSql table = TableSql.of(query, language);
        return DSL.selectOne().from(table.asTable()).where(table.condition(query.condition()));
    }

    /** Whether so many match, and no more, as things stand. */
    private boolean isExact(Counted counted, RowQuery query) {
        return counted.whole && counted.at.equals(revision(query));
    }

    private Revision revision(RowQuery query) {
        return revisions.of(query);
    }

    /** Whether it asks what a reference to members is called, whose own name people see where they may not see them. */
    private static boolean asksForOwnName(RowQuery query) {
        Sight sight = query.sight();
        return sight.tables().people().filter(people -> !sight.rows(people).equals(Condition.ALWAYS)
                && sight.tables().reachedFrom(query.table(), query.condition().fields()).contains(people)).isPresent();
    }

    private static Key key(RowQuery query) {
        Condition condition = query.condition();
        Map<TableKey, Seen> seen = new HashMap<>();
        query.reached().stream().filter(table -> !table.equals(query.table().key()) || query.sight().isPartly(table))
                .forEach(table -> seen.put(table, new Seen(query.sight().rows(table), query.sight().partly(table))));
        Set<Operand.Origin> origins = condition.origins();
        seen.values().stream().flatMap(Seen::conditions).forEach(asked -> origins.addAll(asked.origins()));
        if (asksForOwnName(query)) {
            origins.add(Operand.Origin.VISITOR);
        }
        return new Key(query.table().key(), condition, seen, query.standpoint().asFarAs(origins));
    }
}
