package org.pressboard.bulk;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.Folding;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The pictures and files that are brought in one archive beside a file with rows, which names them. */
@Component
public class Archive {

    /** More files, or more bytes when unpacked, are not taken from one archive. */
    static final int MOST_FILES = 10_000;
    static final long MOST_BYTES = 1024L * 1024 * 1024;

    private static final int TOLD = 20;

    private final DSLContext sql;
    private final Files files;
    private final TransactionTemplate transaction;

    Archive(DSLContext sql, Files files, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.files = files;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * What came of an archive.
     *
     * @param kept    how many files of it were kept
     * @param refused the first of those that were not, and why
     */
    public record Unpacked(int kept, Map<String, Problem> refused) {
    }

    /** A name as files are met by: without folders, blind to case and accents. */
    static String key(String name) {
        return Folding.fold(Files.named(name));
    }

    /**
     * Keeps what is in an archive for the file with rows.
     *
     * @throws ProblemsFound when it is no archive, or there is too much in it; what was kept before stays
     */
    public Unpacked unpack(UUID intake, InputStream zip) throws IOException {
        int kept = 0;
        Map<String, Problem> refused = new HashMap<>();
        boolean isEmpty = true;
        Bounded bounded = new Bounded();
        try (ZipInputStream in = new ZipInputStream(zip)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                isEmpty = false;
                if (entry.isDirectory() || isOfTheSystem(entry.getName())) {
                    continue;
                }
                bounded.count();
                try {
                    KeptFile file = files.keep(bounded.of(in), Files.named(entry.getName()));
                    note(intake, entry.getName(), file);
                    kept++;
                } catch (ProblemsFound cannotBeKept) {
                    if (bounded.isExceeded()) {
                        throw cannotBeKept;
                    }
                    if (refused.size() < TOLD) {
                        refused.put(Files.named(entry.getName()), cannotBeKept.problems().all().getFirst());
                    }
                }
                bounded.of(in).transferTo(OutputStream.nullOutputStream());
            }
        } catch (ZipException | IllegalArgumentException broken) {
            throw ProblemsFound.of("archive.broken");
        }
        if (isEmpty) {
            throw ProblemsFound.of("archive.broken");
        }
        return new Unpacked(kept, refused);
    }

    /** What systems put into archives for themselves. */
    private static boolean isOfTheSystem(String name) {
        return name.startsWith("__MACOSX/") || Files.named(name).startsWith(".")
                || Files.named(name).equalsIgnoreCase("Thumbs.db");
    }

    private void note(UUID intake, String name, KeptFile file) {
        transaction.executeWithoutResult(status -> sql.execute("insert into pressboard.intake_picture "
                + "values ({0}, {1}, {2}) on conflict (intake_id, name) do update set content = excluded.content",
                DSL.val(intake), DSL.val(key(name)), DSL.val(file.content())));
    }

    /** The contents of what was brought, by their folded names. */
    @Transactional(readOnly = true)
    public Map<String, String> contents(UUID intake) {
        Map<String, String> contents = new HashMap<>();
        sql.fetch("select name, content from pressboard.intake_picture where intake_id = {0}", DSL.val(intake))
                .forEach(found -> contents.put(found.get(0, String.class), found.get(1, String.class)));
        return contents;
    }

    /** So much is unpacked of one archive, and no more, whatever its beginning says. */
    private static final class Bounded {

        private int count;
        private long bytes;

        void count() {
            if (++count > MOST_FILES) {
                throw ProblemsFound.of("archive.many-files", MOST_FILES);
            }
        }

        boolean isExceeded() {
            return bytes > MOST_BYTES;
        }

        InputStream of(InputStream entry) {
            return new InputStream() {
                @Override
                public int read() throws IOException {
                    byte[] one = new byte[1];
                    return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
                }

                @Override
                public int read(byte[] into, int from, int length) throws IOException {
                    int read = entry.read(into, from, length);
                    bytes += Math.max(0, read);
                    if (isExceeded()) {
                        throw ProblemsFound.of("archive.many-bytes", MOST_BYTES / 1024 / 1024);
                    }
                    return read;
                }
            };
        }
    }
}
