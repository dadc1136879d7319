package org.pressboard.turn;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;

/**
 * Lets few do at once what holds a connection for long, so that the connections of the pages stay theirs. Others wait
 * for their turn, in the order in which they came and holding nothing, but not for ever.
 */
public final class Turns {

    private final Semaphore places;

    public Turns(int atOnce) {
        this.places = new Semaphore(atOnce, true);
    }

    /** @throws Busy when nobody has left for so long; nothing has been done then */
    public <T> T take(Duration longest, Supplier<T> work) {
        if (!await(longest)) {
            throw new Busy(longest);
        }
        try {
            return work.get();
        } finally {
            places.release();
        }
    }

    private boolean await(Duration longest) {
        try {
            return places.tryAcquire(longest.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            return false;
        }
    }
}
