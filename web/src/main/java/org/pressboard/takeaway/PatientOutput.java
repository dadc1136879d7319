package org.pressboard.takeaway;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Duration;

/**
 * Writes to a reader as long as they read as fast as the slowest line of today; breaks off then, so that what they have
 * is seen to be incomplete. One who takes nothing at all is left by the server's own time limit for a write.
 */
final class PatientOutput extends OutputStream {

    private static final int PIECE = 16 * 1024;
    private static final long FEWEST_BYTES_PER_SECOND = 8 * 1024;
    private static final Duration GRACE = Duration.ofSeconds(15);

    private final OutputStream reader;
    private final long start = System.nanoTime();
    private long written;

    PatientOutput(OutputStream reader) {
        this.reader = reader;
    }

    @Override
    public void write(int each) throws IOException {
        write(new byte[] {(byte) each}, 0, 1);
    }

    @Override
    public void write(byte[] bytes, int offset, int length) throws IOException {
        for (int done = 0; done < length; done += PIECE) {
            int piece = Math.min(PIECE, length - done);
            reader.write(bytes, offset + done, piece);
            written += piece;
            leaveTheSlow();
        }
    }

    private void leaveTheSlow() throws IOException {
        Duration taken = Duration.ofNanos(System.nanoTime() - start);
        if (taken.compareTo(GRACE) > 0 && written < FEWEST_BYTES_PER_SECOND * taken.toSeconds()) {
            throw new IOException("The reader takes fewer than " + FEWEST_BYTES_PER_SECOND + " bytes a second");
        }
    }

    @Override
    public void flush() throws IOException {
        reader.flush();
    }
}
