package org.pressboard.connector;

import org.apache.coyote.Request;
import org.apache.coyote.Response;
import org.jspecify.annotations.Nullable;
import org.pressboard.memory.Budget;

/** A connection that is open, and what it is doing. Read by the thread that sees to it that none dawdles. */
final class Peer {

    private final String address;
    private final Budget.Held held;
    private final Runnable closing;
    private volatile long since = System.nanoTime();
    private volatile @Nullable Request serving;
    private volatile long answeringSince;

    Peer(String address, Budget.Held held, Runnable closing) {
        this.address = address;
        this.held = held;
        this.closing = closing;
    }

    String address() {
        return address;
    }

    /** The whole header of a request has come. */
    void begin(Request request) {
        since = System.nanoTime();
        answeringSince = 0;
        serving = request;
    }

    /** It was answered; the next may come. */
    void end() {
        serving = null;
        since = System.nanoTime();
    }

    /** Whether it takes longer than it may for what it is doing. */
    boolean dawdles(long now, long quietNanos) {
        Request request = serving;
        if (request == null) {
            return now - since > quietNanos;
        }
        Response response = request.getResponse();
        if (response.isCommitted()) {
            return !String.valueOf(response.getContentType()).startsWith("text/event-stream") && takesSlowly(response, now);
        }
        long length = request.getContentLengthLong();
        return length > 0 && request.getBytesRead() < length && Pace.isTooSlow(request.getBytesRead(), now - since, Pace.GRACE_OF_BODY);
    }

    private boolean takesSlowly(Response response, long now) {
        if (answeringSince == 0) {
            answeringSince = now;
        }
        return Pace.isTooSlow(response.getBytesWritten(false), now - answeringSince, Pace.GRACE_OF_ANSWER);
    }

    void close() {
        closing.run();
    }

    void giveBack() {
        held.close();
    }
}
