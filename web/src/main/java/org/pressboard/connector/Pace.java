package org.pressboard.connector;

import java.time.Duration;

/** How fast bodies must come and answers be taken: as the slowest line of today, after a while to begin in. */
final class Pace {

    static final Duration GRACE_OF_ANSWER = Duration.ofSeconds(15);

    /** An upload may wait for its turn before anybody reads it. */
    static final Duration GRACE_OF_BODY = Duration.ofSeconds(60);

    /** In which a form is to begin to come. */
    static final Duration GRACE_OF_FORM = Duration.ofSeconds(10);

    private static final long FEWEST_BYTES_PER_SECOND = 4 * 1024;

    private Pace() {
    }

    static boolean isTooSlow(long bytes, long nanos, Duration grace) {
        Duration taken = Duration.ofNanos(nanos).minus(grace);
        return taken.isPositive() && bytes < FEWEST_BYTES_PER_SECOND * Math.max(1, taken.toSeconds());
    }
}
