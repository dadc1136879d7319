package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.EnumSet;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.zip.ZipFile;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.parsers.SAXParserFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.xml.sax.Attributes;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * What is carried away is whole at every size, around each of the buffers on its way (8 KB, 64 KB, 1 MB) and far beyond:
 * CSV and JSON are read to the end by DuckDB, XLSX by the zip and XML readers of the JDK.
 */
class WholeTakeAwayTest extends WithTables {

    private static final TableKey LOGS = new TableKey("logs");
    private static final FieldKey TEXT = new FieldKey("text");
    private static final PageKey PAGE = new PageKey("logs");
    private static final List<Integer> COUNTS = List.of(0, 1, 7, 8, 9, 62, 63, 64, 65, 1_020, 1_030, 1_035, 1_040, 1_044, 1_045,
            1_046, 1_047, 1_048, 1_049, 1_050, 1_060);

    @TempDir
    private Path folder;

    private int asked;

    private void make() {
        Table logs = changes.make("Logs", new Fields(List.of(new Field(TEXT, "Text", new Textual.Text()))), OWNER);
        publish(PAGE, "Logs", Listing.plain(new ListingKey("logs"), logs.key(), List.of(TEXT))
                .takenAwayAs(EnumSet.of(TakeAway.CSV, TakeAway.XLSX, TakeAway.JSON)), logs.key());
    }

    @AfterEach
    void removeTheTable() {
        publisher.remove(LOGS);
    }

    /** Rows of a thousand letters or so, each another. */
    private void fill(long rows, int letters) {
        DATABASE.execute("truncate hosted.logs; insert into hosted.logs (text) select rpad(each::text, " + letters
                + ", 'x') from generate_series(1, " + rows + ") each");
    }

    @Test
    void everyRowOfManyCounts() throws Exception {
        make();
        for (int count : COUNTS) {
            fill(count, 1_000);
            assertWhole(count);
        }
    }

    @Test
    void aMillionRows() throws Exception {
        make();
        fill(1_000_000, 8);
        assertWhole(1_000_000);
    }

    private void assertWhole(long rows) throws Exception {
        assertThat(counted("read_csv('" + file("rows.csv") + "', header = true, all_varchar = true)")).as("CSV").isEqualTo(rows);
        Path json = file("rows.json?rows=all");
        // of an empty array DuckDB makes a row of nothing
        assertThat(rows == 0 ? Files.readString(json).replaceAll("\\s", "").length() - 2
                : counted("read_json('" + json + "', format = 'array', maximum_object_size = 2000000)")).as("JSON").isEqualTo(rows);
        assertThat(spreadsheetRows(file("rows.xlsx"))).as("XLSX").isEqualTo(rows + 1);
    }

    private Path file(String name) throws IOException, InterruptedException {
        Path file = folder.resolve(name.replaceAll("\\?.*", ""));
        try (HttpClient http = HttpClient.newHttpClient()) {
            HttpResponse<Path> answer = http.send(HttpRequest.newBuilder(URI.create(address("/listings/logs/" + name)))
                            // each as somebody else, or they would ask too often
                            .header("X-Forwarded-For", "10.7." + asked / 250 + "." + asked++ % 250).build(),
                    HttpResponse.BodyHandlers.ofFile(file));
            assertThat(answer.statusCode()).isEqualTo(200);
            assertThat(answer.headers().firstValueAsLong("Content-Length")).hasValue(Files.size(file));
        }
        return file;
    }

    private static long counted(String rows) throws SQLException {
        try (Connection duck = DriverManager.getConnection("jdbc:duckdb:"); Statement statement = duck.createStatement();
                ResultSet found = statement.executeQuery("select count(distinct text) from " + rows)) {
            found.next();
            return found.getLong(1);
        }
    }

    private static long spreadsheetRows(Path file) throws Exception {
        AtomicLong rows = new AtomicLong();
        try (ZipFile opened = new ZipFile(file.toFile());
                InputStream sheet = opened.getInputStream(opened.getEntry("xl/worksheets/sheet1.xml"))) {
            parse(sheet, rows);
        }
        return rows.get();
    }

    private static void parse(InputStream sheet, AtomicLong rows) throws ParserConfigurationException, SAXException, IOException {
        SAXParserFactory.newInstance().newSAXParser().parse(sheet, new DefaultHandler() {
            @Override
            public void startElement(String uri, String localName, String name, Attributes attributes) {
                if (name.equals("row")) {
                    rows.incrementAndGet();
                }
            }
        });
    }
}
