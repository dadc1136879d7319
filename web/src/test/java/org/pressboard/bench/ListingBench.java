package org.pressboard.bench;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.sql.DataSource;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.StateAddress;
import org.pressboard.rows.Rows;

/**
 * A page of a listing: what {@link Rows} takes, against the statements it sends, sent by plain JDBC on a connection
 * of the same pool. Each round asks another day's page, so nothing kept from an earlier round serves.
 */
class ListingBench {

    private static final int ROUNDS = 60;
    private static final Locale LANGUAGE = Locale.ENGLISH;

    /** What is measured: the query part of the address, and where the page is one of many, which. */
    record Case(String name, String query) {
    }

    static final List<Case> CASES = List.of(new Case("plain", ""), new Case("rare search", "?q=quincelike"),
            new Case("common search", "?q=windfall"), new Case("narrowed and sorted", "?f.use=Cider&sort=-picked"),
            new Case("sorted by text", "?sort=name"));

    private final Rows rows;
    private final DataSource database;
    private int day;

    ListingBench(Rows rows, DataSource database) {
        this.rows = rows;
        this.database = database;
    }

    void run(Report report) throws Exception {
        report.heading("Listing page at 1,000,000 rows, server time (ms): ours, the same statements by plain JDBC");
        for (Case each : CASES) {
            List<Statement> statements = statements(each);
            Timing[] timing = Timing.alternating(ROUNDS, round -> ours(BenchTables.LARGE, each.query, 1),
                    round -> plain(statements));
            report.ratio(each.name, timing[0].p95(), timing[1].p95(), "p95, to reach 1.3 x + 5 ms");
        }
        report.heading("From 10,000 to 1,000,000 rows (ms, p95), to reach 1.5 x");
        for (Case each : CASES) {
            Timing[] timing = Timing.alternating(ROUNDS, round -> ours(BenchTables.LARGE, each.query, 1),
                    round -> ours(BenchTables.SMALL, each.query, 1));
            report.ratio(each.name, timing[0].p95(), timing[1].p95(), "");
        }
        pages(report);
    }

    /** Page 10,000 by going on from page 9,999, as "next" does, and by asking for it out of the blue. */
    private void pages(Report report) throws Exception {
        report.heading("From page 1 to page 10,000 at 1,000,000 rows (ms, p95), to reach 1.5 x");
        for (String query : List.of("", "?sort=-kilograms", "?sort=name")) {
            double[] deep = new double[ROUNDS];
            double[] first = new double[ROUNDS];
            for (int i = 0; i < ROUNDS; i++) {
                ours(query, 9_999);
                deep[i] = timed(() -> oursToday(query, 10_000));
                first[i] = timed(() -> ours(query, 1));
            }
            java.util.Arrays.sort(deep);
            java.util.Arrays.sort(first);
            report.ratio("next, " + (query.isEmpty() ? "plain" : query), new Timing(deep).p95(),
                    new Timing(first).p95(), "");
            Timing[] jump = Timing.alternating(20, round -> ours(query, 10_000), round -> ours(query, 1));
            report.ratio("jump, " + (query.isEmpty() ? "plain" : query), jump[0].p95(), jump[1].p95(), "");
        }
    }

    private interface Call {

        void run();
    }

    private static double timed(Call call) {
        long start = System.nanoTime();
        call.run();
        return (System.nanoTime() - start) / 1e6;
    }

    private void ours(String query, int page) {
        ours(BenchTables.LARGE, query, page);
    }

    private void ours(int size, String query, int page) {
        day++;
        rows.page(query(size, query, page), LANGUAGE);
    }

    private void oursToday(String query, int page) {
        rows.page(query(BenchTables.LARGE, query, page), LANGUAGE);
    }

    private RowQuery query(int size, String query, int page) {
        Listing listing = BenchTables.listing(size);
        RequestState state = new StateAddress(listing, BenchTables.table(size)).read(Queries.parse(query)).state();
        return RowQuery.of(listing, BenchTables.table(size), Visitor.ANYONE, new Decision.Allowed(Condition.ALWAYS),
                state.withPage(page), LocalDate.EPOCH.plusDays(day));
    }

    /** A statement that Pressboard sent, with its values written into it. */
    record Statement(String sql) {
    }

    private List<Statement> statements(Case each) {
        SentStatements.start();
        ours(BenchTables.LARGE, each.query, 1);
        return SentStatements.stop().stream().map(Statement::new).toList();
    }

    private void plain(List<Statement> statements) throws SQLException {
        try (Connection connection = database.getConnection()) {
            connection.setReadOnly(true);
            for (Statement statement : statements) {
                try (PreparedStatement prepared = connection.prepareStatement(statement.sql)) {
                    if (prepared.execute()) {
                        readAll(prepared.getResultSet());
                    }
                }
            }
            connection.commit();
            connection.setReadOnly(false);
        }
    }

    private static void readAll(ResultSet result) throws SQLException {
        int columns = result.getMetaData().getColumnCount();
        List<Object> read = new ArrayList<>();
        while (result.next()) {
            for (int i = 1; i <= columns; i++) {
                read.add(result.getObject(i));
            }
        }
    }

}
