package org.pressboard.bench;

import java.io.BufferedInputStream;
import java.io.FileInputStream;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.util.Objects;
import java.util.UUID;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.pressboard.bulk.Intake;
import org.pressboard.bulk.Intakes;
import org.pressboard.history.Author;
import org.pressboard.intake.Plan;
import org.pressboard.schema.Publisher;
import org.pressboard.table.TableKey;

/** A million rows out as CSV against COPY TO, and in as CSV against COPY FROM into the same table. */
class BulkBench {

    private static final String SOURCE = "harvest_" + BenchTables.LARGE;

    private final DataSource database;
    private final Intakes intakes;
    private final Publisher publisher;
    private final HttpClient http = HttpClient.newHttpClient();

    BulkBench(DataSource database, Intakes intakes, Publisher publisher) {
        this.database = database;
        this.intakes = intakes;
        this.publisher = publisher;
    }

    void run(Report report, int port) throws Exception {
        Path file = Files.createTempFile("harvest", ".csv");
        try {
            out(report, port, file);
            asWorkbook(report, port);
            in(report, file);
        } finally {
            Files.delete(file);
        }
    }

    private void out(Report report, int port, Path file) throws Exception {
        report.heading("CSV out, 1,000,000 rows (s): ours over HTTP, COPY TO");
        String columns = "name, notes, use, plot, weeks, kilograms, picked, sound";
        URI address = URI.create("http://localhost:" + port + "/listings/harvest-" + BenchTables.LARGE + "/rows.csv");
        Timing[] timing = Timing.alternating(3, round -> download(address, file), round -> {
            try (OutputStream out = OutputStream.nullOutputStream(); Connection connection = database.getConnection()) {
                connection.createStatement().execute("set local statement_timeout = 0");
                connection.unwrap(PGConnection.class).getCopyAPI().copyOut("copy (select " + columns + " from hosted."
                        + SOURCE + " order by name collate \"en-GB-x-icu\", row_id) to stdout (format csv, header)", out);
                connection.rollback();
            }
        });
        report.ratio("take-away", timing[0].median() / 1000, timing[1].median() / 1000, "to reach 2 x");
        report.line("most heap in use meanwhile, after collection: " + heap() + " MB");
    }

    private void download(URI address, Path file) throws Exception {
        HttpResponse<Path> answer = http.send(HttpRequest.newBuilder(address).build(),
                HttpResponse.BodyHandlers.ofFile(file));
        if (answer.statusCode() != 200) {
            throw new IllegalStateException(address + " answered " + answer.statusCode());
        }
    }

    private static long heap() {
        return java.lang.management.ManagementFactory.getMemoryPoolMXBeans().stream()
                .filter(pool -> pool.getCollectionUsage() != null)
                .mapToLong(pool -> pool.getCollectionUsage().getUsed()).sum() / 1024 / 1024;
    }

    private void asWorkbook(Report report, int port) throws Exception {
        report.heading("XLSX out, 1,000,000 rows (s): against CSV out");
        String rows = "http://localhost:" + port + "/listings/harvest-" + BenchTables.LARGE + "/rows";
        Path file = Files.createTempFile("harvest", ".xlsx");
        try {
            Timing[] timing = Timing.alternating(2, round -> download(URI.create(rows + ".xlsx"), file),
                    round -> download(URI.create(rows + ".csv"), file));
            report.ratio("workbook", timing[0].median() / 1000, timing[1].median() / 1000, "to reach 3 x");
            report.line("most heap in use meanwhile, after collection: " + heap() + " MB");
        } finally {
            Files.delete(file);
        }
    }

    private void in(Report report, Path file) throws Exception {
        report.heading("CSV in, 1,000,000 rows (s): ours with every value checked, COPY FROM into the same table");
        double[] survey = new double[3];
        double[] load = new double[3];
        double[] copy = new double[3];
        for (int i = 0; i < 3; i++) {
            UUID id = receive(file);
            survey[i] = seconds(() -> intakes.survey(id).get());
            Plan plan = Objects.requireNonNull(intakes.find(id).orElseThrow().plan());
            load[i] = seconds(() -> intakes.load(id, plan,
                    new Author(null, "bench", Author.Origin.DEMO)).get());
            Intake done = intakes.find(id).orElseThrow();
            if (done.rowsDone() != BenchTables.LARGE) {
                throw new IllegalStateException("not everything came in: " + done);
            }
            copy[i] = copyInto(Objects.requireNonNull(done.tableKey()), file);
            publisher.remove(new TableKey(Objects.requireNonNull(done.tableKey())));
            intakes.discard(id);
        }
        for (double[] times : new double[][] {survey, load, copy}) {
            java.util.Arrays.sort(times);
        }
        report.ratio("loading", load[1], copy[1], "to reach 3 x");
        report.ratio("reading it first, for the types", survey[1], copy[1], "");
        report.line("size of the file: " + Files.size(file) / 1024 / 1024 + " MB");
    }

    private UUID receive(Path file) throws Exception {
        try (InputStream in = new BufferedInputStream(new FileInputStream(file.toFile()))) {
            return intakes.receive("harvest.csv", in);
        }
    }

    private double copyInto(String table, Path file) throws Exception {
        try (Connection connection = database.getConnection(); InputStream in = Files.newInputStream(file)) {
            connection.createStatement().execute("set local statement_timeout = 0");
            // the bare table: neither told of nor remembered
            connection.createStatement().execute("alter table hosted." + table + " disable trigger user");
            connection.createStatement().execute("truncate hosted." + table);
            double seconds = seconds(() -> {
                connection.unwrap(PGConnection.class).getCopyAPI().copyIn("copy hosted." + table
                        + " (name, notes, use, plot, weeks, kilograms, picked, sound) from stdin (format csv, header)",
                        in, 65536);
                connection.commit();
            });
            return seconds;
        }
    }

    private interface Work {

        void run() throws Exception;
    }

    private static double seconds(Work work) throws Exception {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }
}
