package org.pressboard.bulk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import org.pressboard.memory.Budget;
import org.pressboard.turn.Busy;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * A folder for what need not outlive a moment, and how much of the disk that may take. What a run that was killed has
 * left there is removed at the next start.
 */
@Component
public class Scratch {

    private static final long MOST_BYTES = 4L * 1024 * 1024 * 1024;
    private static final long LEFT_FREE = 256L * 1024 * 1024;
    private static final Duration COME_BACK_IN = Duration.ofSeconds(30);

    private final Path folder;
    private final Budget budget;
    private final AtomicLong taken = new AtomicLong();

    Scratch(Budget budget, @Value("${pressboard.scratch:}") String folder) {
        this.budget = budget;
        try {
            this.folder = folder.isEmpty() ? gone(Files.createTempDirectory("pressboard-")) : emptied(Path.of(folder));
        } catch (IOException unusable) {
            throw new UncheckedIOException(unusable);
        }
    }

    /** One of its own goes with the process. */
    private static Path gone(Path folder) {
        folder.toFile().deleteOnExit();
        return folder;
    }

    private static Path emptied(Path folder) throws IOException {
        Files.createDirectories(folder);
        List<Path> left;
        try (Stream<Path> files = Files.list(folder)) {
            left = files.filter(Files::isRegularFile).toList();
        }
        for (Path file : left) {
            Files.delete(file);
        }
        return folder.toAbsolutePath();
    }

    public Path folder() {
        return folder;
    }

    /**
     * Memory for what is written before it goes to the disk.
     *
     * @throws Busy when there is not so much to be had
     */
    Budget.Held memory(long bytes) {
        return budget.take(Budget.Use.TAKE_AWAYS, bytes).orElseThrow(() -> new Busy(COME_BACK_IN));
    }

    /**
     * Takes so much of the disk.
     *
     * @throws Busy when there is not so much to be had
     */
    void take(long bytes) {
        boolean isFull = taken.addAndGet(bytes) > MOST_BYTES || folder.toFile().getUsableSpace() < LEFT_FREE;
        if (isFull) {
            taken.addAndGet(-bytes);
            throw new Busy(COME_BACK_IN);
        }
    }

    void giveBack(long bytes) {
        taken.addAndGet(-bytes);
    }
}
