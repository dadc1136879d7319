package org.pressboard.site;

import java.nio.file.Path;
import java.util.Optional;
import java.util.function.ToLongFunction;
import org.pressboard.bulk.Scratch;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/** How much room is left on the disk that files and, as the start command has it, the database are on. */
@Component
public class DiskSpace {

    private static final long LITTLE = 1024L * 1024 * 1024;
    private static final int LITTLE_OF_A_HUNDRED = 10;

    private final Path folder;
    private final ToLongFunction<Path> free;
    private final ToLongFunction<Path> all;

    @Autowired
    DiskSpace(Scratch scratch) {
        this(scratch.folder(), folder -> folder.toFile().getUsableSpace(), folder -> folder.toFile().getTotalSpace());
    }

    DiskSpace(Path folder, ToLongFunction<Path> free, ToLongFunction<Path> all) {
        this.folder = folder;
        this.free = free;
        this.all = all;
    }

    /**
     * So little that somebody should make room.
     *
     * @param megabytes how much is left
     * @param hundredths how much of all that is
     * @param urgent whether rows will soon be refused
     */
    public record Little(long megabytes, int hundredths, boolean urgent) {
    }

    /** Nothing while there is room enough: more than a tenth of the disk, and more than a gigabyte. */
    public Optional<Little> little() {
        long left = free.applyAsLong(folder);
        long whole = Math.max(1, all.applyAsLong(folder));
        int hundredths = (int) (100 * left / whole);
        return left > LITTLE && hundredths >= LITTLE_OF_A_HUNDRED ? Optional.empty()
                : Optional.of(new Little(left / 1024 / 1024, hundredths, left <= LITTLE));
    }
}
