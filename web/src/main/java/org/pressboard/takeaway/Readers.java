package org.pressboard.takeaway;

import java.io.OutputStream;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import org.pressboard.network.Networks;
import org.pressboard.turn.Busy;

/**
 * Those who are carrying something away at the moment: so many at once, and few of one address, for what they carry
 * takes room until they have it.
 */
final class Readers {

    private static final int AT_ONCE = 40;
    private static final int OF_ONE_ADDRESS = 4;
    private static final Duration COME_BACK_IN = Duration.ofSeconds(20);

    private final AtomicInteger all = new AtomicInteger();
    private final Map<String, Integer> byAddress = new ConcurrentHashMap<>();

    /**
     * Lets a reader in, until the place is closed.
     *
     * @throws Busy when there are too many
     */
    Seat enter(String address) {
        String networkAddress = Networks.subscriber(address);
        int ofAddress = byAddress.merge(networkAddress, 1, Integer::sum);
        Seat place = new Seat(networkAddress);
        if (all.incrementAndGet() > AT_ONCE || ofAddress > OF_ONE_ADDRESS) {
            place.close();
            throw new Busy(COME_BACK_IN);
        }
        return place;
    }

    /** The place of one reader. */
    final class Seat implements AutoCloseable {

        private final String networkAddress;

        private Seat(String networkAddress) {
            this.networkAddress = networkAddress;
        }

        /** Writes to the reader as long as they take it in time. */
        OutputStream patient(OutputStream reader) {
            return new PatientOutput(reader);
        }

        @Override
        public void close() {
            all.decrementAndGet();
            byAddress.computeIfPresent(networkAddress, (address, count) -> count == 1 ? null : count - 1);
        }
    }
}
