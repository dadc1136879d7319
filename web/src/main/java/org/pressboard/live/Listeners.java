package org.pressboard.live;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.ChangeFeed;
import org.pressboard.memory.Budget;
import org.pressboard.network.Networks;
import org.pressboard.table.TableKey;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** The pages that are open and wait to hear of changes; so many of one address on the network, and in all. */
@Component
class Listeners implements SmartLifecycle {

    /** What an open page costs besides its connection and its request, measured after a collection. */
    private static final long BYTES = 48 * 1024;

    private static final int MOST = 4_000;

    /** Of those that there is memory for, so many hundredths may be of one address. */
    private static final int MOST_OF_ADDRESS = 40;

    private final Set<Listener> listeners = ConcurrentHashMap.newKeySet();
    private final LoadingCache<String, AtomicInteger> byAddress =
            Caffeine.newBuilder().weakValues().build(address -> new AtomicInteger());
    private final Budget budget;
    private final CountDownLatch stopped = new CountDownLatch(1);
    private volatile boolean running;

    Listeners(ChangeFeed changes, Budget budget) {
        this.budget = budget;
        changes.listen(this::hear);
    }

    /** Somebody's open page; hears of changes of some tables until it is closed. */
    final class Listener implements AutoCloseable {

        private final Set<TableKey> tables;
        private final AtomicInteger ofAddress;
        private final Budget.Held held;
        private final Semaphore news = new Semaphore(0);

        private Listener(Set<TableKey> tables, AtomicInteger ofAddress, Budget.Held held) {
            this.tables = Set.copyOf(tables);
            this.ofAddress = ofAddress;
            this.held = held;
        }

        /** Waits for a change; true when there was one, or several, by then. */
        boolean waitForNews(long millis) throws InterruptedException {
            boolean isNew = news.tryAcquire(millis, TimeUnit.MILLISECONDS);
            news.drainPermits();
            return isNew;
        }

        /** There is something to hear already: the page was drawn before it listened. */
        void isBehind() {
            news.release();
        }

        /** Waits so long, whatever there is to hear meanwhile; less when the server stops. */
        void rest(long millis) throws InterruptedException {
            stopped.await(millis, TimeUnit.MILLISECONDS);
        }

        boolean isOver() {
            return stopped.getCount() == 0;
        }

        @Override
        public void close() {
            if (listeners.remove(this)) {
                ofAddress.decrementAndGet();
                held.close();
            }
        }
    }

    int mostOfAddress() {
        return most() * MOST_OF_ADDRESS / 100;
    }

    /** How many there may be at once. */
    int most() {
        return (int) Math.min(MOST, budget.most(Budget.Use.LISTENERS) / BYTES);
    }

    /** {@code null}: there are so many already. */
    @Nullable Listener enter(Set<TableKey> tables, String networkAddress) {
        AtomicInteger ofAddress = byAddress.get(Networks.subscriber(networkAddress));
        Budget.Held held = ofAddress.incrementAndGet() > Math.max(1, mostOfAddress()) || listeners.size() >= MOST ? null
                : budget.take(Budget.Use.LISTENERS, BYTES).orElse(null);
        if (held == null) {
            ofAddress.decrementAndGet();
            return null;
        }
        Listener listener = new Listener(tables, ofAddress, held);
        listeners.add(listener);
        return listener;
    }

    private void hear(TableKey changed) {
        for (Listener listener : listeners) {
            if (listener.tables.contains(changed)) {
                listener.news.release();
            }
        }
    }

    @Override
    public void start() {
        running = true;
    }

    /** All go, so that the server need not wait for them when it stops. */
    @Override
    public void stop() {
        running = false;
        stopped.countDown();
        listeners.forEach(listener -> listener.news.release());
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    @Override
    public int getPhase() {
        return Integer.MAX_VALUE;
    }
}
