package org.pressboard.change;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Objects;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * What was read of a state of the catalog or of rows, kept until there is another; read once, however many ask. What is read
 * where the state is not seen yet, or is not known, is not kept; nor is what a transaction reads that is under way: it may have
 * changes of its own, and has a connection, so it must not wait for others who wait for one.
 *
 * @param <K> what is read, besides the state
 */
public final class KeptByState<K, V> {

    private record Key<K>(long revision, K what) {
    }

    private record Read<V>(long seen, V value) {
    }

    private final Cache<Key<K>, Read<V>> kept;
    private final TransactionTemplate reading;

    /** @param reading what is read, is read within one transaction of these */
    public KeptByState(int most, TransactionTemplate reading) {
        this.kept = Caffeine.newBuilder().maximumSize(most).build();
        this.reading = reading;
    }

    /**
     * @param revision the number of the state
     * @param seen     the same as the transaction sees it, asked before anything else is read
     */
    public V get(long revision, K what, LongSupplier seen, Supplier<V> read) {
        Key<K> key = new Key<>(revision, what);
        Read<V> known = kept.getIfPresent(key);
        if (known == null && (revision < 0 || TransactionSynchronizationManager.isActualTransactionActive())) {
            return read(seen, read).value;
        }
        Read<V> found = Objects.requireNonNull(kept.get(key, missing -> read(seen, read)));
        if (found.seen < revision) {
            kept.invalidate(key);
        }
        return found.value;
    }

    private Read<V> read(LongSupplier seen, Supplier<V> read) {
        return Objects.requireNonNull(reading.execute(status -> new Read<>(seen.getAsLong(), read.get())));
    }
}
