package org.pressboard.bulk;

import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.pressboard.memory.Budget;
import org.pressboard.turn.Turns;

/**
 * What has been read from the database and waits for somebody to take it, however slowly: a little in memory, more in a
 * file. To be closed.
 */
public final class Spool extends OutputStream {

    private static final int IN_MEMORY = 1024 * 1024;
    /** The start, as it grows by doubling, and what is between the rows and it. */
    private static final long AT_WORK = 3L * IN_MEMORY;

    private static final int PIECE = 16 * 1024 * 1024;
    private static final int BUFFER = 64 * 1024;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);

    private final Scratch scratch;
    private final ByteArrayOutputStream start = new ByteArrayOutputStream();
    private final Budget.Held memory;
    private @Nullable Path file;
    private @Nullable OutputStream rest;
    private long taken;
    private long written;

    Spool(Scratch scratch) {
        this.scratch = scratch;
        this.memory = scratch.memory(AT_WORK);
    }

    /**
     * One that is written when it is its turn. Nothing of it stays when that fails.
     *
     * @throws org.pressboard.turn.Busy when there is no turn to be had, or no room
     */
    static Spool written(Scratch scratch, Turns turns, Consumer<OutputStream> writer) throws IOException {
        try {
            return turns.take(LONGEST_WAIT, () -> written(scratch, writer));
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        }
    }

    private static Spool written(Scratch scratch, Consumer<OutputStream> writer) {
        Spool spool = new Spool(scratch);
        boolean isWritten = false;
        try {
            writer.accept(spool.kept());
            isWritten = true;
            return spool;
        } finally {
            if (!isWritten) {
                spool.leave();
            }
        }
    }

    private void leave() {
        try {
            close();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** The same for those who write it, and may close what they write to; it is there to be given out nevertheless. */
    private OutputStream kept() {
        return new FilterOutputStream(this) {
            @Override
            public void write(byte[] bytes, int offset, int length) throws IOException {
                out.write(bytes, offset, length);
            }

            @Override
            public void close() throws IOException {
                flush();
            }
        };
    }

    /** How many bytes there are to be given out. */
    public long size() {
        return start.size() + written;
    }

    @Override
    public void write(int each) throws IOException {
        write(new byte[] {(byte) each}, 0, 1);
    }

    @Override
    public void write(byte[] bytes, int offset, int length) throws IOException {
        if (rest == null && start.size() + length <= IN_MEMORY) {
            start.write(bytes, offset, length);
        } else {
            makeRoom(length);
            rest().write(bytes, offset, length);
            written += length;
        }
    }

    private void makeRoom(int length) {
        while (written + length > taken) {
            scratch.take(PIECE);
            taken += PIECE;
        }
    }

    private OutputStream rest() throws IOException {
        if (rest == null) {
            file = Files.createTempFile(scratch.folder(), "take-away-", ".csv");
            rest = new BufferedOutputStream(Files.newOutputStream(file), BUFFER);
        }
        return rest;
    }

    /** Gives it all to a reader. */
    public void copyTo(OutputStream reader) throws IOException {
        start.writeTo(reader);
        if (rest != null && file != null) {
            rest.flush();
            Files.copy(file, reader);
        }
    }

    @Override
    public void close() throws IOException {
        try {
            if (rest != null) {
                rest.close();
            }
        } finally {
            memory.close();
            scratch.giveBack(taken);
            taken = 0;
            if (file != null) {
                Files.deleteIfExists(file);
            }
        }
    }
}
