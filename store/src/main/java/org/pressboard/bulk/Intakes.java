package org.pressboard.bulk;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import org.jooq.Cursor;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Definitions;
import org.pressboard.files.Files;
import org.pressboard.history.Author;
import org.pressboard.intake.Dialect;
import org.pressboard.intake.Outcome;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Survey;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Table;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.core.type.TypeReference;

/**
 * Files on their way to becoming tables: received, surveyed, and loaded as the owner plans. Loading makes table, rows,
 * listing and draft page in one transaction, so that there is all of it or nothing.
 *
 * <pre>{@code
 * UUID id = intakes.receive("trees.csv", in);
 * intakes.survey(id).get();
 * intakes.load(id, plan, author).get();
 * }</pre>
 */
@Component
public class Intakes {

    /** So many rows are looked at to say how many of them name rows that are there. */
    public static final int LOOKED_AT = 20_000;

    private static final Duration KEPT_WHEN_ABANDONED = Duration.ofDays(7);

    private final IntakeRecords records;
    private final IntakeFiles files;
    private final IntakeWork work;
    private final IntakeLoad loading;
    private final References references;
    private final DSLContext sql;
    private final TransactionTemplate transaction;

    Intakes(IntakeRecords records, IntakeFiles files, IntakeWork work, IntakeLoad loading, References references, DSLContext sql,
            PlatformTransactionManager transactions) {
        this.records = records;
        this.files = files;
        this.work = work;
        this.loading = loading;
        this.references = references;
        this.sql = sql;
        this.transaction = new TransactionTemplate(transactions);
    }

    public Optional<Intake> find(UUID id) {
        return records.find(id);
    }

    /**
     * Keeps a file that was brought.
     *
     * @throws ProblemsFound when it is too large; nothing is kept then
     */
    public UUID receive(String fileName, InputStream in) {
        UUID id = UUID.randomUUID();
        transaction.executeWithoutResult(status -> {
            records.removeAbandoned(Instant.now().minus(KEPT_WHEN_ABANDONED));
            records.add(id, fileName);
            try {
                IntakeFiles.Kept kept = files.keep(id, in);
                records.change(id, intake -> intake.kept(kept));
            } catch (IOException brokenOff) {
                throw new UncheckedIOException(brokenOff);
            }
        });
        return id;
    }

    /** Files that wait for somebody to go on with them, the newest first. */
    public List<Intake> waiting() {
        return records.waiting();
    }

    /** Files with the same content that wait too or have become a table, the newest first. */
    public List<Intake> twins(Intake intake) {
        return records.twins(intake);
    }

    /** Begins to read the file, works out how it is written, and suggests a plan for it. */
    public Future<?> survey(UUID id) {
        Intake intake = records.find(id).orElseThrow();
        return survey(id, null, () -> {
            Survey survey = Survey.of(files.content(id), rows -> work.beat(id, rows, 0));
            Plan plan = references.suggestedIn(Plan.suggestedBy(survey, labelFrom(intake.fileName())),
                    files.content(id), survey, id);
            records.change(id, entity -> entity.surveyed(survey, plan));
        });
    }

    /** Begins to read the file anew, as somebody says that it is written; what was said of its columns holds. */
    public Future<?> survey(UUID id, Dialect dialect) {
        Intake intake = records.find(id).orElseThrow();
        Survey before = Objects.requireNonNull(intake.survey());
        Plan said = Objects.requireNonNull(intake.plan());
        return survey(id, dialect, () -> {
            Survey survey = Survey.of(files.content(id), dialect, rows -> work.beat(id, rows, 0));
            records.change(id, entity -> entity.surveyed(survey, said.carriedOver(before, survey)));
        });
    }

    private Future<?> survey(UUID id, @Nullable Dialect dialect, IntakeWork.Work reading) {
        return records.claim(id, entity -> entity.read(dialect)) ? work.begin(id, reading) : IntakeWork.NOTHING_TO_DO;
    }

    /** The first rows of the file in a dialect, before the whole of it is read so; the headings are the first. */
    public List<List<String>> firstRows(UUID id, Dialect dialect) {
        try {
            return Survey.firstRows(files.content(id), dialect);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /**
     * What the columns come to that name rows of other tables or files brought beside this one, each by its place; by
     * the first rows of the file. None where there is something {@link #against} it.
     */
    public Map<Integer, BesideFile.Naming> namings(Intake intake, Plan plan) {
        if (!against(plan).isEmpty()) {
            return Map.of();
        }
        List<Plan.Column> columns = plan.taken().stream().filter(Plan.Column::isBeside).toList();
        return Objects.requireNonNull(transaction.execute(status -> references.beside(intake.id())
                .namings(files.content(intake.id()), Objects.requireNonNull(intake.survey()), columns, LOOKED_AT)));
    }

    /** What keeps columns from referring to the tables that they are to refer to. */
    public Problems against(Plan plan) {
        return references.against(plan);
    }

    /** Keeps what was said so far, for whoever goes on later. */
    public void keepPlan(UUID id, Plan plan) {
        records.change(id, entity -> entity.plan(plan));
    }

    /**
     * Begins to load the file as planned. Of several who want to, one does; a few files are loaded at once, others
     * after them.
     *
     * @return what tells when it is loaded; nothing to wait for when somebody else is at it, or it is done
     */
    public Future<?> load(UUID id, Plan plan, Author author) {
        Intake intake = records.find(id).orElseThrow();
        Survey survey = Objects.requireNonNull(intake.survey());
        plan.check().and(against(plan)).throwIfAny();
        boolean isMine = records.claim(id, entity -> {
            entity.plan(plan);
            entity.begin(Intake.Status.LOADING);
        });
        return isMine ? work.begin(id, () -> transaction.executeWithoutResult(status -> load(intake, survey, plan, author)))
                : IntakeWork.NOTHING_TO_DO;
    }

    /** Stops work under way; what it did is undone. */
    @Transactional
    public void cancel(UUID id) {
        records.change(id, entity -> {
            if (entity.status() == Intake.Status.LOADING) {
                entity.end(Intake.Status.CANCELLED, Problems.NONE);
            }
        });
    }

    /** Forgets the file and everything noted of it; what was loaded from it stays. */
    @Transactional
    public void discard(UUID id) {
        records.remove(id);
    }

    /** Gives the first so many of the rows kept aside, one after the other, in the order of the file. */
    public void keptAside(UUID id, int most, Consumer<Outcome.KeptAside> each) {
        transaction.executeWithoutResult(status -> {
            try (Cursor<? extends Record> kept = sql.select(DSL.field("line", Long.class),
                            DSL.field("reasons", JSONB.class), DSL.field("texts", JSONB.class))
                    .from(DSL.table(DSL.name("pressboard", "kept_aside")))
                    .where(DSL.field("intake_id", UUID.class).eq(id))
                    .orderBy(DSL.field("id")).limit(most).fetchSize(500).fetchLazy()) {
                kept.forEach(found -> each.accept(keptAside(found)));
            }
        });
    }

    private static Outcome.KeptAside keptAside(Record kept) {
        return new Outcome.KeptAside(kept.get(0, Long.class),
                Definitions.read(kept.get(1, JSONB.class).data(), new TypeReference<List<Problem>>() { }),
                Definitions.read(kept.get(2, JSONB.class).data(), new TypeReference<List<String>>() { }));
    }

    private void load(Intake intake, Survey survey, Plan plan, Author author) {
        UUID id = intake.id();
        IntakeLoad.Loaded loaded = loading.load(intake, survey, plan, author, (rows, aside) -> work.beat(id, rows, aside));
        records.change(id, entity -> entity.done(loaded.table().key().name(), loaded.page().name(), loaded.rows(), loaded.aside()));
        files.remove(id);
    }

    /** The name of the file without its ending, as words: {@code "fruit_trees-2024.csv"} is "Fruit trees 2024". */
    static String labelFrom(String fileName) {
        String bare = fileName.replaceAll("^.*[/\\\\]", "").replaceAll("\\.[A-Za-z0-9]{1,5}$", "");
        String words = bare.replaceAll("[_\\-.]+", " ").replaceAll("\\s+", " ").strip();
        if (words.isEmpty()) {
            return "Table";
        }
        String cut = words.substring(0, Math.min(words.length(), 60));
        return Character.toUpperCase(cut.charAt(0)) + cut.substring(1);
    }
}
