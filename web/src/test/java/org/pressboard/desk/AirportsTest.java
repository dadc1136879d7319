package org.pressboard.desk;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.pressboard.site.InBrowser;

/**
 * A dataset that nobody here made, {@code airports.csv} of the npm package vega-datasets, brought in through the
 * screen; every figure is compared with what DuckDB works out from the same file.
 */
class AirportsTest extends InBrowser {

    private static final Path FILE = Path.of("front/node_modules/vega-datasets/data/airports.csv").toAbsolutePath();

    @Test
    void everyFigureIsDuckDbs() throws SQLException, IOException {
        publishAirports();
        try (Connection duck = DriverManager.getConnection("jdbc:duckdb:"); Statement sql = duck.createStatement()) {
            sql.execute("create table airports as select * from read_csv('" + FILE + "', header = true, nullstr = '')");
            assertThat(number(sql, "select count(*) from airports")).isEqualTo(3376);
            Page page = desktop();
            assertFound(page, sql, "", "true");
            assertFound(page, sql, "?q=municipal", anyContains("municipal"));
            assertFound(page, sql, "?q=san+CA", anyContains("san") + " and " + anyContains("ca"));
            assertFound(page, sql, "?f.state=TX&f.state=AK", "state in ('TX', 'AK')");
            assertFound(page, sql, "?q=field&f.state=CA", anyContains("field") + " and state = 'CA'");
            assertOrder(page, sql, "?sort=latitude", "latitude", "latitude asc");
            assertOrder(page, sql, "?sort=-longitude&f.state=AK", "longitude", "longitude desc", "state = 'AK'");
            assertOrder(page, sql, "?sort=iata&page=100", "iata", "iata collate nocase asc", "true", 2475);
            assertEveryRow(sql);
        }
    }

    private void publishAirports() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk"));
        owner.locator("input[type=file]").setInputFiles(FILE);
        button(owner, "Bring in").click();
        owner.waitForURL(Pattern.compile(".*/desk/pages/airports.*"));
        owner.getByLabel("Everyone").check();
        button(owner, "Publish").click();
        owner.locator(".note-good").waitFor();
    }

    private static String anyContains(String word) {
        return "(iata ilike '%" + word + "%' or name ilike '%" + word + "%' or city ilike '%" + word
                + "%' or state ilike '%" + word + "%' or country ilike '%" + word + "%')";
    }

    private void assertFound(Page page, Statement sql, String query, String where) throws SQLException {
        long found = number(sql, "select count(*) from airports where " + where);
        page.navigate(address("/airports" + query));
        String count = query.isEmpty() ? "1 to 25 of 3,376"
                : "1 to %d of %,d found, 3,376 in all".formatted(Math.min(25, found), found);
        assertThat(page.locator(".count-text").innerText()).as(query).isEqualTo(count);
    }

    private void assertOrder(Page page, Statement sql, String query, String column, String order) throws SQLException {
        assertOrder(page, sql, query, column, order, "true");
    }

    private void assertOrder(Page page, Statement sql, String query, String column, String order, String where)
            throws SQLException {
        assertOrder(page, sql, query, column, order, where, 0);
    }

    private void assertOrder(Page page, Statement sql, String query, String column, String order, String where,
            int offset) throws SQLException {
        List<String> expected = texts(sql, "select " + column + " from airports where " + where + " order by " + order
                + " nulls last limit 25 offset " + offset);
        page.navigate(address("/airports" + query));
        int number = List.of("iata", "name", "city", "state", "country", "latitude", "longitude").indexOf(column);
        List<String> shown = column(page, number).stream().map(AirportsTest::plain).toList();
        assertThat(shown).as(query).isEqualTo(expected.stream().map(AirportsTest::plain).toList());
    }

    /** A number without the zeros that only fill it up. */
    private static String plain(String text) {
        return text.matches("-?\\d+\\.\\d+") ? new java.math.BigDecimal(text).stripTrailingZeros().toPlainString() : text;
    }

    /** The whole take-away, read back by DuckDB, is the file itself. */
    private void assertEveryRow(Statement sql) throws SQLException, IOException {
        Path carried = Files.createTempFile("carried", ".csv");
        Files.writeString(carried, get("/listings/airports/rows.csv?sort=iata").body());
        sql.execute("create table carried as select * from read_csv('" + carried + "', header = true, nullstr = '')");
        assertThat(number(sql, "select count(*) from carried")).isEqualTo(3376);
        assertThat(number(sql, "select count(*) from (from airports except all from carried)")).isZero();
        Files.delete(carried);
    }

    private static long number(Statement sql, String query) throws SQLException {
        try (ResultSet result = sql.executeQuery(query)) {
            result.next();
            return result.getLong(1);
        }
    }

    private static List<String> texts(Statement sql, String query) throws SQLException {
        List<String> texts = new ArrayList<>();
        try (ResultSet result = sql.executeQuery(query)) {
            while (result.next()) {
                texts.add(result.getString(1));
            }
        }
        return texts;
    }
}
