package org.pressboard.bulk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.sql.Date;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Visitor;
import org.pressboard.intake.Dialect;
import org.pressboard.intake.ManyFiles;
import org.pressboard.intake.Outcome;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.SortBy;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.testing.Eventually;
import org.pressboard.value.FieldKey;
import org.pressboard.value.SpreadsheetCells;
import org.springframework.beans.factory.annotation.Autowired;

class IntakesTest extends IntakeStoreTest {

    @Autowired
    private CsvOut csv;

    @Test
    void aFileBecomesTableRowsListingAndDraft() throws Exception {
        UUID id = surveyed("fruit_trees.csv", "Name;Planted;Weight (kg);Notes\nÅsby;25.12.2020;1.234,5;\"a\tb\\c\nd\"\n"
                + "Hollin;;2,25;\n");
        intakes.load(id, plan(id), OWNER).get();
        Intake done = intakes.find(id).orElseThrow();
        assertThat(done.status()).isEqualTo(Intake.Status.DONE);
        assertThat(done.rowsDone()).isEqualTo(2);
        Table table = catalog.table(new TableKey("fruit_trees")).orElseThrow();
        assertThat(table.fields().all()).extracting(Field::label)
                .containsExactly("Name", "Planted", "Weight (kg)", "Notes");
        assertThat(sql.fetch("select name, planted, weight_kg, notes from hosted.fruit_trees order by row_id")
                .intoArrays()).isDeepEqualTo(new Object[][] {
                    {"Åsby", Date.valueOf("2020-12-25"), new BigDecimal("1234.5"), "a\tb\\c\nd"},
                    {"Hollin", null, new BigDecimal("2.25"), null}});
        assertThat(catalog.page(new PageKey("fruit-trees")).orElseThrow().isPublished()).isFalse();
        assertThat(catalog.published().edition(new PageKey("fruit-trees"))).isEmpty();
    }

    @Test
    void rowsThatDoNotFitAreKeptAsideWithTheirReasons() throws Exception {
        UUID id = surveyed("aside.csv", "name,weeks\na,1\nb,many\nc,2,3\nd,4\n");
        Plan plan = plan(id);
        intakes.load(id, new Plan("Aside", List.of(plan.columns().get(0),
                plan.columns().get(1).withReading(Reading.WHOLE))), OWNER).get();
        Intake done = intakes.find(id).orElseThrow();
        assertThat(done.rowsDone()).isEqualTo(2);
        assertThat(done.rowsAside()).isEqualTo(2);
        List<Outcome.KeptAside> kept = new ArrayList<>();
        intakes.keptAside(id, 10, kept::add);
        assertThat(kept).containsExactly(
                new Outcome.KeptAside(3, List.of(Problem.of("row.misfit.whole", "weeks", "many")), List.of("b", "many")),
                new Outcome.KeptAside(4, List.of(Problem.of("row.ragged", 3, 2)), List.of("c", "2", "3")));
    }

    /** Each page answers with rows of its own, also where one has left the address that the other gets. */
    @Test
    void aFileThatComesAgainAfterItsPageHasMovedGetsAListingOfItsOwn() throws Exception {
        load(surveyed("nests.csv", "name\na\n"));
        catalog.move(new PageKey("nests"), new PageKey("elsewhere"));
        load(surveyed("nests.csv", "name\nb\n"));
        assertThat(catalog.page(new PageKey("elsewhere")).orElseThrow().draft().listingKeys()).containsExactly(new ListingKey("nests"));
        Page second = catalog.page(new PageKey("nests-2")).orElseThrow().draft();
        assertThat(second.title()).isEqualTo("Nests 2");
        assertThat(second.listingKeys()).containsExactly(new ListingKey("nests-2"));
        Listing taken = second.listings().getFirst();
        assertThatThrownBy(() -> catalog.changeDraft(second.with(List.of(new Listing(new ListingKey("nests"), taken.table(), taken.keep(), taken.show(),
                taken.find(), taken.ordering(), taken.opening(), taken.dress(), taken.takeAway(), taken.paper(), taken.changing())))))
                .isInstanceOf(ProblemsFound.class).hasMessageContaining("bench.listing-taken");
    }

    private void load(UUID id) throws Exception {
        intakes.load(id, plan(id), OWNER).get();
    }

    static Stream<ManyFiles.One> files() {
        return ManyFiles.all();
    }

    /** What goes in comes out the same: as a visitor carries it away, read by PostgreSQL and written by it. */
    @ParameterizedTest
    @MethodSource("files")
    void whatGoesInIsWhatCanBeCarriedAway(ManyFiles.One file) throws Exception {
        UUID id = intakes.receive(file.name() + ".csv", new ByteArrayInputStream(file.bytes()));
        intakes.survey(id).get();
        intakes.load(id, plan(id), OWNER).get();
        Intake done = intakes.find(id).orElseThrow();
        assertThat(done.status()).as("%s", done.problems()).isEqualTo(Intake.Status.DONE);
        List<Long> aside = new ArrayList<>();
        intakes.keptAside(id, 10, kept -> aside.add(kept.line()));
        assertThat(aside).isEqualTo(file.aside());
        Table table = catalog.table(new TableKey(Objects.requireNonNull(done.tableKey()))).orElseThrow();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        csv.write(query(table, Visitor.staff("owner@example.org"), Condition.ALWAYS, List.of(), 1, 10), ENGLISH,
                SpreadsheetCells.BARE, Carrying.UNWATCHED, out);
        assertThat(records(out.toString(StandardCharsets.UTF_8).replace("\r\n", "\n"))).isEqualTo(records(file.out()));
    }

    private static List<List<String>> records(String csv) {
        return CsvReader.builder().skipEmptyLines(false).ofCsvRecord(csv).stream().map(CsvRecord::getFields).toList();
    }

    @Test
    void theFirstOrderIsThatOfTheFileUnlessTheFirstFieldNamesTheRows() throws Exception {
        assertThat(listingOf("named.csv", "name,weeks\nb,1\na,2\n").order())
                .containsExactly(SortBy.up(new FieldKey("name")));
        assertThat(listingOf("alike.csv", "name,weeks\nb,1\na,2\na,3\n").order()).isEmpty();
        assertThat(listingOf("unnamed.csv", "name,weeks\nb,1\n,2\na,3\n").order()).isEmpty();
        assertThat(listingOf("figures.csv", "weeks,name\n3,b\n1,a\n").order()).isEmpty();
    }

    private Listing listingOf(String file, String text) throws Exception {
        UUID id = surveyed(file, text);
        intakes.load(id, plan(id), OWNER).get();
        String page = Objects.requireNonNull(intakes.find(id).orElseThrow().pageKey());
        return catalog.page(new PageKey(page)).orElseThrow().draft().listings().getFirst();
    }

    @Test
    void theOwnerSaysHowAFileIsWrittenAndWhatWasSaidBeforeHolds() throws Exception {
        UUID id = surveyed("said.csv", "Report\na:b\n1:x\n");
        intakes.keepPlan(id, new Plan("My report", plan(id).columns()));
        Dialect dialect = new Dialect("UTF-8", ':', 1, true, false);
        assertThat(intakes.firstRows(id, dialect)).containsExactly(List.of("a", "b"), List.of("1", "x"));
        intakes.survey(id, dialect).get();
        assertThat(plan(id).label()).isEqualTo("My report");
        assertThat(plan(id).columns()).extracting(Plan.Column::label).containsExactly("a", "b");
    }

    @Test
    void filesWaitAndTheSameContentIsKnownAgain() throws Exception {
        UUID first = surveyed("once.csv", "once\na\n");
        UUID again = surveyed("again.csv", "once\na\n");
        UUID other = surveyed("other.csv", "other\na\n");
        assertThat(intakes.waiting()).extracting(Intake::id).startsWith(other, again, first);
        assertThat(intakes.twins(intakes.find(again).orElseThrow())).extracting(Intake::id).containsExactly(first);
        intakes.load(first, plan(first), OWNER).get();
        assertThat(intakes.waiting()).extracting(Intake::id).startsWith(other, again).doesNotContain(first);
        assertThat(intakes.twins(intakes.find(again).orElseThrow()).getFirst().tableKey()).isEqualTo("once");
    }

    @Test
    void twoThatBringInTheSameAtOnceMakeOneTableAndSixteenFilesQueue() throws Exception {
        List<UUID> ids = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            ids.add(surveyed("queue.csv", "queued\n" + "a\n".repeat(3_000)));
        }
        List<CompletableFuture<?>> all = new ArrayList<>();
        for (UUID id : ids) {
            for (int twice = 0; twice < 2; twice++) {
                all.add(CompletableFuture.runAsync(() -> await(intakes.load(id, plan(id), OWNER))));
            }
        }
        all.forEach(CompletableFuture::join);
        assertThat(ids).allSatisfy(id -> assertThat(intakes.find(id).orElseThrow().status())
                .isEqualTo(Intake.Status.DONE));
        assertThat(catalog.tableKeys().stream().filter(key -> key.startsWith("queue"))).hasSize(16);
    }

    private static void await(Future<?> work) {
        try {
            work.get();
        } catch (InterruptedException | ExecutionException failed) {
            throw new IllegalStateException(failed);
        }
    }

    @Test
    void whatIsDoneIsNotReadAgainAndWhatWasInterruptedGoesOn() throws Exception {
        UUID id = surveyed("interrupted.csv", "interrupted\na\n");
        Plan plan = plan(id);
        inTransaction(() -> sql.execute("update pressboard.intake set status = 'LOADING' where id = {0}", DSL.val(id)));
        intakes.load(id, plan, OWNER).get();
        assertThat(intakes.find(id).orElseThrow().status()).as("somebody is at it").isEqualTo(Intake.Status.LOADING);
        inTransaction(() -> sql.execute("update pressboard.intake set beat_at = now() - interval '1 minute' "
                + "where id = {0}", DSL.val(id)));
        assertThat(intakes.find(id).orElseThrow().isInterrupted()).isTrue();
        intakes.load(id, plan, OWNER).get();
        assertThat(intakes.find(id).orElseThrow().status()).isEqualTo(Intake.Status.DONE);
        intakes.survey(id).get();
        intakes.load(id, plan, OWNER).get();
        assertThat(intakes.find(id).orElseThrow().status()).isEqualTo(Intake.Status.DONE);
        assertThat(catalog.tableKeys().stream().filter(key -> key.startsWith("interrupted"))).hasSize(1);
    }

    @Test
    void theSameNameTwiceMakesTwoTables() throws Exception {
        for (int i = 0; i < 2; i++) {
            UUID id = surveyed("twice.csv", "name\na\n");
            intakes.load(id, plan(id), OWNER).get();
        }
        assertThat(catalog.tableKeys()).contains("twice", "twice_2");
        assertThat(catalog.pageKeys()).contains("twice", "twice-2");
    }

    @Test
    void aFileThatIsNoTableIsRefusedWithTheReason() throws Exception {
        UUID id = surveyed("picture.csv", "\u0000\u0001\u0002");
        Intake intake = intakes.find(id).orElseThrow();
        assertThat(intake.status()).isEqualTo(Intake.Status.REFUSED);
        assertThat(intake.problems().all()).extracting(Problem::code).containsExactly("file.nul");
    }

    @Test
    void aFileThatIsTooLargeLeavesNothingBehind() {
        InputStream endless = new InputStream() {
            @Override
            public int read() {
                return 'x';
            }

            @Override
            public int read(byte[] into, int offset, int length) {
                java.util.Arrays.fill(into, offset, offset + length, (byte) 'x');
                return length;
            }
        };
        long before = count("pressboard", "intake");
        long piecesBefore = count("pressboard", "intake_chunk");
        assertThatThrownBy(() -> intakes.receive("large.csv", endless)).isInstanceOf(ProblemsFound.class)
                .hasMessageContaining("file.too-large");
        assertThat(count("pressboard", "intake")).isEqualTo(before);
        assertThat(count("pressboard", "intake_chunk")).isEqualTo(piecesBefore);
    }

    @Test
    void losingTheDatabaseInTheMiddleLeavesNothing() throws Exception {
        Future<?> load = startLong("broken.csv");
        Eventually.holds(() -> terminated("copy \"hosted\".\"broken\"%") > 0);
        load.get();
        UUID id = (UUID) sql.fetchValue("select id from pressboard.intake where file_name = 'broken.csv'");
        Intake intake = intakes.find(id).orElseThrow();
        assertThat(intake.status()).isEqualTo(Intake.Status.FAILED);
        assertNothingLeft("broken");
        // and it can be tried again
        intakes.load(id, plan(id), OWNER).get();
        assertThat(intakes.find(id).orElseThrow().status()).isEqualTo(Intake.Status.DONE);
        assertThat(count("hosted", "broken")).isEqualTo(LONG);
    }

    @Test
    void stoppingInTheMiddleLeavesNothing() throws Exception {
        Future<?> load = startLong("stopped.csv");
        UUID id = (UUID) sql.fetchValue("select id from pressboard.intake where file_name = 'stopped.csv'");
        Eventually.holds(() -> intakes.find(id).orElseThrow().rowsDone() > 0);
        intakes.cancel(id);
        load.get();
        assertThat(intakes.find(id).orElseThrow().status()).isEqualTo(Intake.Status.CANCELLED);
        assertNothingLeft("stopped");
    }

    private static final int LONG = 400_000;

    private Future<?> startLong(String file) throws Exception {
        UUID id = surveyed(file, "name,number\n" + "some text,12\n".repeat(LONG));
        return intakes.load(id, plan(id), OWNER);
    }

    private long terminated(String query) {
        return sql.fetchOne("select count(pg_terminate_backend(pid)) from pg_stat_activity where query ilike {0} "
                + "and pid <> pg_backend_pid() and datname = current_database()", DSL.val(query)).get(0, Long.class);
    }

    private void assertNothingLeft(String table) {
        assertThat(catalog.table(new TableKey(table))).isEmpty();
        assertThat(catalog.pageKeys()).doesNotContain(table);
        assertThat((String) sql.fetchValue("select to_regclass('hosted." + table + "')::text")).isNull();
    }

    private long count(String schema, String table) {
        return sql.fetchCount(DSL.table(DSL.name(schema, table)));
    }

    @Test
    void filesThatNobodyWentOnWithAreForgottenAfterAWeek() throws Exception {
        UUID old = surveyed("old.csv", "name\na\n");
        UUID loaded = surveyed("loaded.csv", "name\na\n");
        intakes.load(loaded, plan(loaded), OWNER).get();
        inTransaction(() -> sql.execute("update pressboard.intake set beat_at = now() - interval '8 days'"));
        surveyed("new.csv", "name\na\n");
        assertThat(intakes.find(old)).isEmpty();
        assertThat(intakes.find(loaded)).isPresent();
    }

    @Test
    void namesOfFilesBecomeNamesOfTables() {
        assertThat(Intakes.labelFrom("C:\\Users\\me\\fruit_trees-2024.csv")).isEqualTo("Fruit trees 2024");
        assertThat(Intakes.labelFrom("../../etc/passwd")).isEqualTo("Passwd");
        assertThat(Intakes.labelFrom(".csv")).isEqualTo("Table");
    }
}
