package org.pressboard.change;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.testing.TestDatabase;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DataSourceTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** With a pool of four connections. */
class KeptByStateTest {

    private static final int CONNECTIONS = 4;

    private final HikariDataSource pool = pool();
    private final JdbcTemplate sql = new JdbcTemplate(pool);
    private final TransactionTemplate reading = new TransactionTemplate(new DataSourceTransactionManager(pool));
    private final KeptByState<String, Integer> kept = new KeptByState<>(10, reading);
    private final AtomicInteger reads = new AtomicInteger();

    private static HikariDataSource pool() {
        TestDatabase database = TestDatabase.create();
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(database.url());
        config.setUsername(database.user());
        config.setPassword(database.password());
        config.setMaximumPoolSize(CONNECTIONS);
        // no longer than requests wait
        config.setConnectionTimeout(3_000);
        return new HikariDataSource(config);
    }

    @AfterEach
    void close() {
        pool.close();
    }

    private int get(long revision, long seen) {
        return kept.get(revision, "site", () -> seen, () -> {
            sql.queryForObject("select 1", Integer.class);
            return reads.incrementAndGet();
        });
    }

    @Test
    void whatWasReadIsKeptUntilThereIsAnotherState() {
        assertThat(get(5, 5)).isEqualTo(1);
        assertThat(get(5, 5)).isEqualTo(1);
        assertThat(get(6, 6)).isEqualTo(2);
    }

    @Test
    void whatIsBehindOrNotKnownIsReadAgain() {
        assertThat(get(5, 4)).isEqualTo(1);
        assertThat(get(5, 5)).isEqualTo(2);
        assertThat(get(-1, 5)).isEqualTo(3);
        assertThat(get(-1, 5)).isEqualTo(4);
    }

    /** It may have changes that are not there for others yet, or never are. */
    @Test
    void whatATransactionReadsIsNotKeptForOthers() {
        reading.executeWithoutResult(status -> assertThat(get(5, 5)).isEqualTo(1));
        assertThat(get(5, 5)).isEqualTo(2);
        reading.executeWithoutResult(status -> assertThat(get(5, 5)).isEqualTo(2));
    }

    /** All connections are held by those who ask, while somebody without one has begun to read: nobody waits for the other. */
    @Test
    void whoHasAConnectionDoesNotWaitForWhoWaitsForOne() throws Exception {
        CountDownLatch held = new CountDownLatch(CONNECTIONS);
        CountDownLatch begun = new CountDownLatch(1);
        List<CompletableFuture<Integer>> all = new ArrayList<>();
        try (ExecutorService threads = Executors.newFixedThreadPool(CONNECTIONS + 1)) {
            for (int i = 0; i < CONNECTIONS; i++) {
                all.add(CompletableFuture.supplyAsync(() -> reading.execute(status -> {
                    sql.queryForObject("select 1", Integer.class);
                    held.countDown();
                    await(begun);
                    return get(7, 7);
                }), threads));
            }
            held.await();
            all.add(CompletableFuture.supplyAsync(() -> {
                begun.countDown();
                return get(7, 7);
            }, threads));
            for (CompletableFuture<Integer> each : all) {
                assertThat(each.get()).isPositive();
            }
        }
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException stop) {
            throw new IllegalStateException(stop);
        }
    }
}
