package org.pressboard.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.pressboard.attachment.Drawing;
import org.pressboard.catalog.Digests;
import org.pressboard.change.Once;
import org.pressboard.memory.Budget;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.turn.Busy;
import org.pressboard.turn.Turns;
import org.pressboard.table.TableKey;
import org.pressboard.value.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps files, each content once. */
@Component
public class Files {

    /** The largest file that is taken, in bytes. */
    public static final int MOST_BYTES = 20 * 1024 * 1024;

    private static final int LONGEST_NAME = 120;
    private static final int PIECE = 256 * 1024;

    /**
     * What is held of a file while somebody reads it, however slowly; a part of a piece. A thousand who read slowly hold no more
     * than is drawn for their requests.
     */
    private static final int IN_HAND = 32 * 1024;

    /** What a file of the largest size and a picture in small copies take, as long as they are looked at. */
    private static final long AT_WORK = 96L * 1024 * 1024;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);

    private final DSLContext sql;
    private final TransactionTemplate transaction;

    /** To hold a file and look at a picture takes much memory: one at a time, the others wait where they came from. */
    private final Turns looking = new Turns(1);
    private final Budget budget;
    private final Once once;

    Files(DSLContext sql, Budget budget, PlatformTransactionManager transactions, Once once) {
        this.once = once;
        this.sql = sql;
        this.budget = budget;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * Keeps a file; drawings made harmless.
     *
     * @throws ProblemsFound when it is empty or too large, or a picture that cannot be read
     * @throws Busy          when there is no turn to be had, or no memory
     */
    public KeptFile keep(InputStream in, String name) throws IOException {
        try {
            return looking.take(LONGEST_WAIT, () -> held(in, name));
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        }
    }

    /**
     * Keeps a picture.
     *
     * @throws ProblemsFound when it is none, too
     */
    public KeptFile keepPicture(InputStream in, String name) throws IOException {
        KeptFile kept = keep(in, name);
        if (!kept.isPicture()) {
            throw ProblemsFound.of("entry.no-picture", name);
        }
        return kept;
    }

    private KeptFile held(InputStream in, String name) {
        try (Budget.Held held = budget.take(Budget.Use.FILES, Math.min(AT_WORK, budget.most(Budget.Use.FILES)))
                .orElseThrow(() -> new Busy(LONGEST_WAIT))) {
            return read(in, name);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private KeptFile read(InputStream in, String name) throws IOException {
        byte[] bytes = in.readNBytes(MOST_BYTES + 1);
        if (bytes.length == 0) {
            throw ProblemsFound.of("attachment.empty");
        }
        if (bytes.length > MOST_BYTES) {
            throw ProblemsFound.of("attachment.too-large", MOST_BYTES / 1024 / 1024);
        }
        return keep(bytes, MediaTypes.of(bytes, name));
    }

    private KeptFile keep(byte[] brought, String mediaType) {
        boolean isDrawing = mediaType.equals(MediaTypes.DRAWING);
        if (isDrawing && Drawing.isTooLarge(brought)) {
            throw ProblemsFound.of("attachment.large-drawing", Drawing.MOST_BYTES / 1024 / 1024, Drawing.MOST_ELEMENTS,
                    Drawing.DEEPEST);
        }
        byte[] bytes = isDrawing
                ? Drawing.sanitised(brought).orElseThrow(() -> ProblemsFound.of("attachment.no-picture")) : brought;
        KeptFile file = new KeptFile(Digests.written(Digests.begin(), bytes), mediaType, bytes.length);
        Optional<KeptFile> known = find(file.content());
        if (known.isPresent()) {
            return known.get();
        }
        Map<Integer, byte[]> copies = isDrawing || !file.isPicture() ? Map.of()
                : Thumbnails.of(bytes, mediaType);
        transaction.executeWithoutResult(status -> store(file, bytes, copies));
        return file;
    }

    private void store(KeptFile file, byte[] bytes, Map<Integer, byte[]> copies) {
        int stored = sql.execute("insert into pressboard.file (content, media_type, size) values ({0}, {1}, {2}) "
                + "on conflict do nothing", DSL.val(file.content()), DSL.val(file.mediaType()), DSL.val(file.size()));
        if (stored == 0) {
            return; // somebody else has just brought the same
        }
        for (int position = 0; (long) position * PIECE < bytes.length; position++) {
            byte[] piece = Arrays.copyOfRange(bytes, position * PIECE,
                    Math.min(bytes.length, (position + 1) * PIECE));
            sql.execute("insert into pressboard.file_piece values ({0}, {1}, {2})", DSL.val(file.content()),
                    DSL.val(position), DSL.val(piece));
        }
        copies.forEach((edge, copy) -> sql.execute("insert into pressboard.thumbnail values ({0}, {1}, {2})",
                DSL.val(file.content()), DSL.val(edge), DSL.val(copy)));
    }

    public Optional<KeptFile> find(String content) {
        return transaction.execute(status -> sql.fetchOptional("select content, media_type, size from pressboard.file "
                + "where content = {0}", DSL.val(content)).map(Files::file));
    }

    private static KeptFile file(Record found) {
        return new KeptFile(found.get(0, String.class), found.get(1, String.class), found.get(2, Long.class));
    }

    /** The smallest copy whose longer edge has at least so many pixels; empty where the picture itself is no larger. */
    @Transactional(readOnly = true)
    public Optional<byte[]> thumbnail(String content, int edge) {
        return sql.fetchOptional("select bytes from pressboard.thumbnail where content = {0} and edge >= {1} "
                + "order by edge limit 1", DSL.val(content), DSL.val(edge)).map(found -> found.get(0, byte[].class));
    }

    /** Writes the bytes; between two parts no connection is held, however slowly they are taken. */
    public void write(KeptFile file, OutputStream out) throws IOException {
        for (long from = 0; from < file.size(); from += IN_HAND) {
            out.write(part(file.content(), (int) (from / PIECE), (int) (from % PIECE)));
        }
    }

    private byte[] part(String content, int position, int from) throws IOException {
        return Objects.requireNonNull(transaction.execute(status -> sql.fetchOptional("select substring(bytes from {2} for {3}) "
                + "from pressboard.file_piece where content = {0} and position = {1}", DSL.val(content), DSL.val(position),
                DSL.val(from + 1), DSL.val(IN_HAND)).map(found -> found.get(0, byte[].class))))
                .orElseThrow(() -> new IOException("The file is no more: " + content));
    }

    /** Notes that files stand in rows of a table, as part of the caller's transaction. */
    public void use(TableKey table, Collection<? extends Value> values) {
        List<String> contents = values.stream().flatMap(value -> value.each().stream())
                .filter(Value.Attachment.class::isInstance).map(value -> ((Value.Attachment) value).content())
                .filter(content -> !content.isEmpty()).distinct().toList();
        if (!contents.isEmpty()) {
            sql.execute("insert into pressboard.file_use (content, table_key) select unnest({0}::text[]), {1} "
                    + "on conflict do nothing", DSL.val(contents.toArray(String[]::new)), DSL.val(table.name()));
        }
    }

    /** Notes that a file stands on a page, as part of the caller's transaction where there is one. */
    @Transactional
    public void use(String page, String content) {
        sql.execute("insert into pressboard.page_file (content, page_key) values ({0}, {1}) on conflict do nothing",
                DSL.val(content), DSL.val(page));
    }

    /** Throws away what was brought and never put into a row, nor on a page. */
    @Scheduled(cron = "0 41 3 * * *")
    public void removeUnusedOnce() {
        once.every(Duration.ofMinutes(60), "files", this::removeUnused);
    }

    /** The same now, whoever has done it. */
    @Transactional
    public void removeUnused() {
        sql.execute("delete from pressboard.file kept where added_at < now() - interval '1 day' and not exists "
                + "(select from pressboard.file_use used where used.content = kept.content) and not exists "
                + "(select from pressboard.page_file used where used.content = kept.content) and not exists "
                + "(select from pressboard.intake_picture brought where brought.content = kept.content)");
    }

    /** A name that files can have everywhere: without folders, and without signs that cannot be seen. */
    public static String named(String name) {
        String bare = name.replaceAll("^.*[/\\\\]", "").replaceAll("[\\p{Cntrl}\\p{Zl}\\p{Zp}]", " ").strip();
        int dot = bare.lastIndexOf('.');
        String ending = dot > 0 && bare.length() - dot <= 10 ? bare.substring(dot) : "";
        String begin = bare.substring(0, bare.length() - ending.length());
        String cut = begin.substring(0, Math.min(begin.length(), LONGEST_NAME - ending.length())) + ending;
        return cut.isEmpty() ? "file" : cut;
    }
}
