package org.pressboard.bulk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.TimeUnit;
import org.pressboard.value.Row;

/**
 * Hands rows to another thread that writes them, so that further rows are read meanwhile. Few wait in between. Closed, it has
 * written them all.
 */
final class RowWriter implements AutoCloseable {

    private static final int AT_ONCE = 500;
    private static final int WAITING = 4;
    private static final List<Row> END = List.of();

    private final BlockingQueue<List<Row>> waiting = new ArrayBlockingQueue<>(WAITING);
    private final CompletableFuture<Void> written;
    private List<Row> next = new ArrayList<>(AT_ONCE);

    RowWriter(AllRows.Writing form) {
        written = CompletableFuture.runAsync(() -> write(form), task -> Thread.ofVirtual().name("take-away").start(task));
    }

    private void write(AllRows.Writing form) {
        try {
            for (List<Row> rows = waiting.take(); rows != END; rows = waiting.take()) {
                for (Row row : rows) {
                    form.row(row);
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } catch (InterruptedException stop) {
            throw new IllegalStateException(stop);
        }
    }

    /** Throws what writing has failed with, if it has. */
    void give(Row row) {
        next.add(row);
        if (next.size() == AT_ONCE) {
            put(next);
            next = new ArrayList<>(AT_ONCE);
        }
    }

    private void put(List<Row> rows) {
        try {
            while (!waiting.offer(rows, 1, TimeUnit.SECONDS)) {
                failIfWritingHas();
            }
            failIfWritingHas();
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(stop);
        }
    }

    private void failIfWritingHas() {
        if (written.isCompletedExceptionally()) {
            join();
        }
    }

    private void join() {
        try {
            written.join();
        } catch (CompletionException failed) {
            throw failed.getCause() instanceof RuntimeException cause ? cause : new IllegalStateException(failed.getCause());
        }
    }

    @Override
    public void close() {
        if (!written.isDone()) {
            if (!next.isEmpty()) {
                put(next);
            }
            put(END);
        }
        join();
    }
}
