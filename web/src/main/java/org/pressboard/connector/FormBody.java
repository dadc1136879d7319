package org.pressboard.connector;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.SocketTimeoutException;
import java.nio.ByteBuffer;
import org.apache.coyote.ActionCode;
import org.apache.coyote.ContinueResponseTiming;
import org.apache.coyote.Request;
import org.apache.tomcat.util.buf.ByteChunk;
import org.apache.tomcat.util.net.ApplicationBufferHandler;
import org.jspecify.annotations.Nullable;

/**
 * The body of a form, read as it comes: nothing is set aside for what was only announced. When it is whole it is given to
 * the server, which would have set aside all of it at once.
 */
final class FormBody implements ApplicationBufferHandler {

    /** How often what arrived is held: here, by the server, as its texts, and as they are looked at. */
    private static final int TIMES_HELD = 4;

    private @Nullable ByteBuffer piece;

    /** Draws memory for what has come; false when there is none. */
    interface Drawing {

        boolean grow(long bytes);
    }

    /** What became of it. */
    enum Outcome { WHOLE, TOO_SLOW, NO_MEMORY }

    /** @throws IOException when whoever sends it is gone */
    static Outcome read(Request request, Drawing memory) throws IOException {
        try {
            return readWhole(request, memory);
        } catch (SocketTimeoutException silent) {
            return Outcome.TOO_SLOW;
        }
    }

    private static Outcome readWhole(Request request, Drawing memory) throws IOException {
        request.action(ActionCode.ACK, ContinueResponseTiming.ALWAYS);
        FormBody body = new FormBody();
        ByteArrayOutputStream whole = new ByteArrayOutputStream();
        long length = request.getContentLengthLong();
        long start = System.nanoTime();
        while (whole.size() < length) {
            int count = request.doRead(body);
            if (count < 0) {
                break;
            }
            if (!memory.grow((long) count * TIMES_HELD)) {
                return Outcome.NO_MEMORY;
            }
            body.copyTo(whole);
            if (whole.size() < length && Pace.isTooSlow(whole.size(), System.nanoTime() - start, Pace.GRACE_OF_FORM)) {
                return Outcome.TOO_SLOW;
            }
        }
        ByteChunk again = new ByteChunk();
        again.setBytes(whole.toByteArray(), 0, whole.size());
        request.action(ActionCode.REQ_SET_BODY_REPLAY, again);
        return Outcome.WHOLE;
    }

    private void copyTo(ByteArrayOutputStream whole) {
        ByteBuffer now = piece;
        if (now != null) {
            byte[] bytes = new byte[now.remaining()];
            now.get(bytes);
            whole.writeBytes(bytes);
        }
    }

    @Override
    public void setByteBuffer(ByteBuffer buffer) {
        piece = buffer;
    }

    @Override
    public @Nullable ByteBuffer getByteBuffer() {
        return piece;
    }

    @Override
    public void expand(int size) {
        // what comes is taken from the server's own buffer
    }
}
