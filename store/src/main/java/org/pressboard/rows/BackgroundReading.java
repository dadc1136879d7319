package org.pressboard.rows;

import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.pressboard.turn.Busy;
import org.pressboard.turn.Turns;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionException;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Reads what the next visitor will be glad of, while this one has the answer already. One such thing at a time and
 * with rests between, for while rows keep changing it must not become all that the database does.
 */
@Component
class BackgroundReading {

    private static final Logger LOG = LoggerFactory.getLogger(BackgroundReading.class);
    private static final int REST_TO_WORK = 3;
    private static final int AT_ONCE = 2;
    private static final Duration LONGEST_WAIT = Duration.ofMinutes(1);
    private static final long UNDER_WAY = Long.MAX_VALUE;

    private final TransactionTemplate reading;
    private final Turns turns = new Turns(AT_ONCE);
    private final long start = System.nanoTime();
    private final Map<String, AtomicLong> restsUntil = new ConcurrentHashMap<>();

    BackgroundReading(PlatformTransactionManager transactions) {
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /**
     * Begins to read in a transaction of its own; does nothing while the last reading of that name goes on or rests.
     */
    void read(String what, Runnable work) {
        AtomicLong rest = restsUntil.computeIfAbsent(what, key -> new AtomicLong());
        long until = rest.get();
        long now = now();
        if (until <= now && rest.compareAndSet(until, UNDER_WAY)) {
            Thread.ofVirtual().name(what).start(() -> {
                try {
                    turns.take(LONGEST_WAIT, () -> reading.execute(status -> {
                        work.run();
                        return true;
                    }));
                } catch (Busy | DataAccessException | TransactionException
                        | org.jooq.exception.DataAccessException failed) {
                    LOG.warn("Gave up {}: {}", what, failed.getMessage());
                } finally {
                    rest.set(now() + REST_TO_WORK * (now() - now));
                }
            });
        }
    }

    private long now() {
        return System.nanoTime() - start;
    }
}
