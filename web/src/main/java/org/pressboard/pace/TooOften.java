package org.pressboard.pace;

/** Somebody asks faster than people do. */
public final class TooOften extends RuntimeException {

    private final long secondsToWait;

    TooOften(long secondsToWait) {
        super("Asked too often; to wait: " + secondsToWait + " s");
        this.secondsToWait = secondsToWait;
    }

    public long secondsToWait() {
        return secondsToWait;
    }
}
