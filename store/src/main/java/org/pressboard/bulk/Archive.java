package org.pressboard.bulk;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Definitions;
import org.pressboard.files.Files;
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
    private static final Pattern ROWS = Pattern.compile("\\.(?:csv|tsv|tab)$", Pattern.CASE_INSENSITIVE);

    private final DSLContext sql;
    private final Files files;
    private final TransactionTemplate transaction;

    Archive(DSLContext sql, Files files, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.files = files;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * What was brought beside a file with rows.
     *
     * @param kept    how many files were kept
     * @param refused the first of those that were not, and why
     */
    public record Brought(int kept, Map<String, Problem> refused) {
    }

    /** A name as files are met by: without folders, blind to case and accents. */
    static String key(String name) {
        return Folding.fold(Files.named(name));
    }

    /**
     * The one file with rows in what may be an archive; empty where it is none, or has none in it.
     *
     * @throws ProblemsFound where there are several, or too much is in it
     */
    public Optional<String> rowsIn(InputStream maybeZip) throws IOException {
        List<String> found = new ArrayList<>();
        Bounded bounded = new Bounded();
        try (ZipInputStream in = new ZipInputStream(maybeZip)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                bounded.count();
                if (!entry.isDirectory() && !isOfTheSystem(entry.getName()) && ROWS.matcher(entry.getName()).find()) {
                    found.add(entry.getName());
                }
                bounded.of(in).transferTo(OutputStream.nullOutputStream());
            }
        } catch (ZipException | IllegalArgumentException broken) {
            throw ProblemsFound.of("archive.broken");
        }
        if (found.size() > 1) {
            throw ProblemsFound.of("archive.many-rows", Files.named(found.get(0)), Files.named(found.get(1)));
        }
        return found.stream().findFirst();
    }

    /** Runs through the bytes of one file in an archive. */
    public void read(InputStream zip, String name, Reader reader) throws IOException {
        try (ZipInputStream in = new ZipInputStream(zip)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                if (entry.getName().equals(name)) {
                    reader.read(in);
                    return;
                }
            }
        }
    }

    /** What is done with the bytes of one file. */
    @FunctionalInterface
    public interface Reader {
        void read(InputStream in) throws IOException;
    }

    /**
     * Keeps what is in an archive for the file with rows, but for one of them; {@code null}: all.
     *
     * @throws ProblemsFound when it is no archive, or there is too much in it; what was kept before stays
     */
    public void unpack(UUID intake, InputStream zip, @Nullable String except) throws IOException {
        boolean isEmpty = true;
        Bounded bounded = new Bounded();
        try (ZipInputStream in = new ZipInputStream(zip)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                isEmpty = false;
                if (entry.isDirectory() || isOfTheSystem(entry.getName()) || entry.getName().equals(except)) {
                    continue;
                }
                bounded.count();
                keep(intake, entry.getName(), bounded.of(in), bounded);
                bounded.of(in).transferTo(OutputStream.nullOutputStream());
            }
        } catch (ZipException | IllegalArgumentException broken) {
            throw ProblemsFound.of("archive.broken");
        }
        if (isEmpty) {
            throw ProblemsFound.of("archive.broken");
        }
    }

    private void keep(UUID intake, String name, InputStream in, Bounded bounded) throws IOException {
        try {
            note(intake, name, files.keep(in, Files.named(name)).content(), null);
        } catch (ProblemsFound cannotBeKept) {
            if (bounded.isExceeded()) {
                throw cannotBeKept;
            }
            note(intake, name, null, cannotBeKept.problems().all().getFirst());
        }
    }

    /** What systems put into archives for themselves. */
    private static boolean isOfTheSystem(String name) {
        return name.startsWith("__MACOSX/") || Files.named(name).startsWith(".")
                || Files.named(name).equalsIgnoreCase("Thumbs.db");
    }

    private void note(UUID intake, String name, @Nullable String content, @Nullable Problem refused) {
        transaction.executeWithoutResult(status -> sql.execute("insert into pressboard.intake_picture "
                + "values ({0}, {1}, {2}, {3}) on conflict (intake_id, name) do update set content = excluded.content, "
                + "refused = excluded.refused", DSL.val(intake), DSL.val(key(name)), DSL.val(content, String.class),
                DSL.val(refused == null ? null : JSONB.valueOf(Definitions.write(refused)), JSONB.class)));
    }

    @Transactional(readOnly = true)
    public Brought brought(UUID intake) {
        Map<String, Problem> refused = new TreeMap<>();
        sql.fetch("select name, refused from pressboard.intake_picture where intake_id = {0} and refused is not null "
                + "order by name limit {1}", DSL.val(intake), DSL.inline(TOLD)).forEach(found -> refused.put(
                found.get(0, String.class), Definitions.read(found.get(1, JSONB.class).data(), Problem.class)));
        int kept = sql.fetchSingle("select count(content) from pressboard.intake_picture where intake_id = {0}",
                DSL.val(intake)).get(0, Integer.class);
        return new Brought(kept, refused);
    }

    /** The contents of what was brought, by their folded names. */
    @Transactional(readOnly = true)
    public Map<String, String> contents(UUID intake) {
        Map<String, String> contents = new HashMap<>();
        sql.fetch("select name, content from pressboard.intake_picture where intake_id = {0} "
                + "and content is not null", DSL.val(intake)).forEach(found ->
                contents.put(found.get(0, String.class), found.get(1, String.class)));
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
