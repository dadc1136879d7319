package org.pressboard.memory;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * So many bytes in all may be held for requests, whatever they are for. Thread-safe.
 *
 * <pre>{@code
 * try (Budget.Held held = budget.take(Budget.Use.TAKE_AWAYS, size).orElseThrow(() -> new Busy(soon))) { ... }
 * }</pre>
 */
@Component
public final class Budget {

    /** What the application holds that nobody asks for, measured after a collection, with what a collection needs to work. */
    private static final long OWN = 160L * 1024 * 1024;

    /** However little is left: so many requests that there is somebody to tell. */
    private static final long LEAST = 24L * 1024 * 1024;

    /**
     * For what memory is held, and which part of all it may be at most, in hundredths; and how many it leaves to those that
     * come after it. What can wait leaves room for a file to be looked at and for requests to be answered, however much of it
     * there is: an open page that listens holds a connection and a request, too.
     */
    public enum Use {
        CONNECTIONS(30, 2), REQUESTS(50, 0), BODIES(40, 4), FILES(34, 0), TAKE_AWAYS(30, 38), LISTENERS(20, 38), ANSWERS(14, 0);

        private final int most;
        private final int leaves;

        Use(int most, int leaves) {
            this.most = most;
            this.leaves = leaves;
        }
    }

    private final long total;
    private final AtomicLong left;
    private final Map<Use, AtomicLong> held = new EnumMap<>(Use.class);

    @Autowired
    Budget() {
        this(Runtime.getRuntime().maxMemory());
    }

    /** @param heap how many bytes the process has at most */
    public Budget(long heap) {
        this.total = Math.max(LEAST, (heap - OWN) * 3 / 4);
        this.left = new AtomicLong(total);
        for (Use use : Use.values()) {
            held.put(use, new AtomicLong());
        }
    }

    /** How many bytes may be held in all. */
    public long total() {
        return total;
    }

    /** How many bytes may be held for that at most. */
    public long most(Use use) {
        return total * use.most / 100;
    }

    /** How many are held for that now. */
    public long held(Use use) {
        return of(use).get();
    }

    /** Some bytes held until they are given back; nothing where that would be more than there is for it, or in all. */
    public Optional<Held> take(Use use, long bytes) {
        Held taken = new Held(use);
        return taken.grow(bytes) ? Optional.of(taken) : Optional.empty();
    }

    /**
     * Sets memory aside for good, for what is kept so that it need not be made again.
     *
     * @param wanted how many bytes it may be
     * @return how many it is; at most a third of what there is for that
     */
    public long setAside(Use use, long wanted) {
        long bytes = Math.min(wanted, most(use) / 3);
        return draw(use, bytes) ? bytes : 0;
    }

    private AtomicLong of(Use use) {
        return Objects.requireNonNull(held.get(use));
    }

    private boolean draw(Use use, long bytes) {
        AtomicLong of = of(use);
        if (of.addAndGet(bytes) > most(use)) {
            of.addAndGet(-bytes);
            return false;
        }
        if (left.addAndGet(-bytes) < total * use.leaves / 100) {
            left.addAndGet(bytes);
            of.addAndGet(-bytes);
            return false;
        }
        return true;
    }

    /** Bytes that are held for something; may become more. Of one thread at a time. */
    public final class Held implements AutoCloseable {

        private final Use use;
        private long bytes;

        private Held(Use use) {
            this.use = use;
        }

        /** Whether so many more could be had. */
        public boolean grow(long more) {
            boolean isHad = draw(use, more);
            bytes += isHad ? more : 0;
            return isHad;
        }

        /** Gives all back. */
        @Override
        public void close() {
            of(use).addAndGet(-bytes);
            left.addAndGet(bytes);
            bytes = 0;
        }
    }
}
