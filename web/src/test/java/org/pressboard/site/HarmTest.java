package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.net.Socket;
import java.net.http.HttpResponse;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;
import org.pressboard.testing.Eventually;
import org.springframework.beans.factory.annotation.Autowired;

/** What a stranger does on purpose leaves everybody else's pages as they are. */
class HarmTest extends WithOwnTable {

    private static final Listing LISTING = Listing.plain(new ListingKey("grafts"), GRAFTS.key(), List.of(NAME, YEAR))
            .with(Finding.by(List.of(NAME), List.of(YEAR))).takenAwayAs(EnumSet.allOf(TakeAway.class));

    @Autowired
    private HikariDataSource pool;

    private final Raw raw = new Raw(this);

    /** They take a byte and then nothing; what they are owed has long been read. */
    @Test
    void fortySlowReadersHoldNoConnectionAndNobodyElseUp() throws IOException {
        publish(150_000, LISTING);
        List<Socket> readers = new ArrayList<>();
        try {
            for (int i = 0; i < 40; i++) {
                Socket reader = raw.connect("127.0.0." + (2 + i / 4));
                Raw.send(reader, "GET /listings/grafts/rows.csv HTTP/1.1\r\nHost: localhost\r\n\r\n");
                readers.add(reader);
            }
            for (int i = 0; i < 30; i++) {
                assertThat(get("/grafts?q=" + i).statusCode()).isEqualTo(200);
            }
            Eventually.holds(() -> pool.getHikariPoolMXBean().getActiveConnections() == 0);
            List<String> answers = new ArrayList<>();
            for (Socket reader : readers) {
                answers.add(Raw.firstLine(reader));
            }
            assertThat(answers).contains("HTTP/1.1 200 ").isSubsetOf("HTTP/1.1 200 ", "HTTP/1.1 503 ");
            assertThat(get("/listings/grafts/rows.csv", "X-Forwarded-For", "203.0.113.70").statusCode()).isIn(200, 503);
        } finally {
            for (Socket reader : readers) {
                reader.close();
            }
        }
        Eventually.holds(() -> get("/listings/grafts/rows.csv", "X-Forwarded-For", "203.0.113.71").statusCode() == 200);
    }

    @Test
    void moreTakeAwaysOfOneAddressThanItCanReadAreToldWhenToComeBack() throws IOException {
        publish(400_000, LISTING);
        List<Socket> readers = new ArrayList<>();
        List<String> answers = new ArrayList<>();
        try {
            for (int i = 0; i < 5; i++) {
                Socket reader = raw.connect("127.0.0.60");
                Raw.send(reader, "GET /listings/grafts/rows.csv HTTP/1.1\r\nHost: localhost\r\n\r\n");
                readers.add(reader);
                answers.add(Raw.firstLine(reader));
            }
        } finally {
            for (Socket reader : readers) {
                reader.close();
            }
        }
        assertThat(answers).startsWith("HTTP/1.1 200 ", "HTTP/1.1 200 ", "HTTP/1.1 200 ", "HTTP/1.1 200 ")
                .endsWith("HTTP/1.1 503 ");
    }

    /** The table is locked, so that whatever reads it has to wait; then the database breaks it off, as it does in time. */
    @ParameterizedTest
    @ValueSource(strings = {"/grafts?sort=year", "/listings/grafts/rows?sort=-year", "/listings/grafts/rows.csv",
        "/listings/grafts/rows.json?sort=year", "/listings/grafts/rows/count?q=a"})
    void whatTakesTooLongIsSaidAndTriedAgainLater(String path) throws SQLException {
        publish(3, LISTING);
        try (Connection locking = DATABASE.connect(); Statement sql = locking.createStatement()) {
            locking.setAutoCommit(false);
            sql.execute("lock table hosted.grafts in access exclusive mode");
            CompletableFuture<HttpResponse<String>> answer = CompletableFuture.supplyAsync(() -> get(path));
            Eventually.holds(() -> {
                cancelThoseThatWait();
                return answer.isDone();
            });
            assertThat(answer.join().statusCode()).isEqualTo(503);
            assertThat(answer.join().headers().firstValue("Retry-After")).isPresent();
            assertThat(answer.join().body()).contains("That took too long");
            locking.rollback();
        }
    }

    private static void cancelThoseThatWait() {
        DATABASE.execute("select pg_cancel_backend(pid) from pg_stat_activity "
                + "where wait_event_type = 'Lock' and query like '%grafts%' and pid <> pg_backend_pid()");
    }

    @Test
    void theSameIsCountedOnceAndFewThingsAtOnce() throws SQLException {
        publish(3, LISTING);
        try (Connection locking = DATABASE.connect(); Statement sql = locking.createStatement()) {
            locking.setAutoCommit(false);
            sql.execute("lock table hosted.grafts in access exclusive mode");
            List<CompletableFuture<HttpResponse<String>>> answers = IntStream.range(0, 24)
                    .mapToObj(i -> CompletableFuture.supplyAsync(() -> get("/listings/grafts/rows/count?q=" + i % 2,
                            "X-Forwarded-For", "203.0.113." + (10 + i)))).toList();
            Eventually.holds(() -> waiting() == 2);
            assertThat(pool.getHikariPoolMXBean().getActiveConnections()).isLessThanOrEqualTo(2 + 2);
            locking.rollback();
            assertThat(answers).allSatisfy(answer -> assertThat(answer.join().body()).isEqualTo(
                    answer.join().uri().getQuery().endsWith("0") ? "0" : "1"));
        }
    }

    private static int waiting() {
        try (Connection connection = DATABASE.connect(); Statement sql = connection.createStatement();
                ResultSet found = sql.executeQuery("select count(*) from pg_stat_activity where wait_event_type = 'Lock' "
                        + "and query like '%count(%' and datname = current_database()")) {
            found.next();
            return found.getInt(1);
        } catch (SQLException failed) {
            throw new IllegalStateException(failed);
        }
    }

    @Test
    void anAddressFullOfValuesHasAnAnswerOfBoundedSize() {
        publish(3, LISTING);
        String many = IntStream.range(0, 590).mapToObj(i -> "f.year=" + (1000 + i)).collect(Collectors.joining("&"));
        HttpResponse<String> answer = get("/grafts?" + many);
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.body().length()).isLessThan(600_000);
        assertThat(answer.body()).contains("more than 100 values");
    }
}
