package org.pressboard.bulk;

import java.time.Duration;
import java.util.concurrent.atomic.AtomicLong;

/**
 * How far rows that somebody carries away have got, for as long as they care: told from the thread that reads them, asked
 * from others.
 */
public final class Carrying {

    /** For whoever just waits. */
    public static final Carrying UNWATCHED = new Carrying(Duration.ofDays(1));

    private final AtomicLong rows = new AtomicLong();
    private final long patience;
    private volatile long lastAsked = System.nanoTime();
    private volatile boolean isOver;
    private volatile boolean isLeft;

    /** @param patience who has not asked for so long has left */
    public Carrying(Duration patience) {
        this.patience = patience.toNanos();
    }

    /** Somebody asks how many rows there are so far. */
    public long rows() {
        lastAsked = System.nanoTime();
        return rows.get();
    }

    /** Whether all rows have been read, or none will be any more. */
    public boolean isOver() {
        return isOver;
    }

    /** Whoever asked for the rows does not want them any more. */
    public void leave() {
        isLeft = true;
    }

    public void end() {
        isOver = true;
    }

    /**
     * Before the rows, all collected, are given.
     *
     * @throws Left when nobody wants them any more
     */
    public void give() {
        if (isLeft) {
            throw new Left();
        }
    }

    /** @throws Left when nobody waits for them any more */
    void row() {
        rows.incrementAndGet();
        if (this != UNWATCHED && (isLeft || System.nanoTime() - lastAsked > patience)) {
            throw new Left();
        }
    }

    /** Nobody waits for the rows any more. */
    public static final class Left extends RuntimeException {

        Left() {
            super("Nobody waits for these rows any more");
        }
    }
}
