package org.pressboard.testing;

import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;

/** Waits for what another thread or process does, as long as it takes and no longer. */
public final class Eventually {

    private static final Duration LONGEST = Duration.ofSeconds(20);

    private Eventually() {
    }

    public static void holds(BooleanSupplier condition) {
        holds(LONGEST, condition);
    }

    public static void holds(Duration longest, BooleanSupplier condition) {
        long end = System.nanoTime() + longest.toNanos();
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() > end) {
                throw new AssertionError("did not come to hold within " + longest);
            }
            LockSupport.parkNanos(Duration.ofMillis(10).toNanos());
        }
    }
}
