package org.pressboard.turn;

import java.time.Duration;

/** Too much of one kind is being done already; whoever comes back later will have a turn. */
public final class Busy extends RuntimeException {

    private final Duration comeBackIn;

    public Busy(Duration comeBackIn) {
        super("Nobody has left for " + comeBackIn);
        this.comeBackIn = comeBackIn;
    }

    public Duration comeBackIn() {
        return comeBackIn;
    }
}
