package org.pressboard.bench;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.locks.LockSupport;
import java.util.random.RandomGenerator;
import javax.sql.DataSource;
import org.pressboard.bench.SentStatements.Statement;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Listing;
import org.pressboard.listing.RequestState;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.StateAddress;
import org.pressboard.rows.Rows;

/**
 * A page of a listing: what {@link Rows} takes, against the statements it sends, sent by plain JDBC on a connection
 * of the same pool. Before each round a row is changed, so that no rows kept from an earlier round serve;
 * what an answer set going in the background is waited for between rounds.
 */
class ListingBench {

    private static final int ROUNDS = 80;
    private static final int WARM_UP = 100;
    private static final RandomGenerator PAGES = new Random(11);
    private static final Locale LANGUAGE = BenchTables.LANGUAGE;

    /** What is measured: the query part of the address, and where the page is one of many, which. */
    record Case(String name, String query) {
    }

    static final List<Case> CASES = List.of(new Case("plain", ""), new Case("rare search", "?q=quincelike"),
            new Case("common search", "?q=windfall"), new Case("narrowed and sorted", "?f.use=Cider&sort=-picked"),
            new Case("sorted by text", "?sort=name"));

    private final Rows rows;
    private final DataSource database;

    private static final List<String> LETTERS = List.of("q", "zz", "w", "5f");
    private static final List<String> ORDERS = List.of("", "?sort=-kilograms", "?sort=name");

    ListingBench(Rows rows, DataSource database) {
        this.rows = rows;
        this.database = database;
    }

    void run(Report report) throws Exception {
        warmUp(BenchTables.SMALL, BenchTables.LARGE);
        report.heading("Listing page at 1,000,000 rows, server time (ms, p95): ours, the same statements by plain JDBC;"
                + " to reach 1.3 x + 5 ms");
        for (Case each : CASES) {
            List<Statement> statements = statements(each);
            Timing[] timing = Timing.alternating(ROUNDS, ours(BenchTables.LARGE, each.query, 1), plain(statements));
            report.p95(each.name, timing, statements.size() + " statements");
        }
        report.heading("The same from 10,000 to 1,000,000 rows (ms, p95): to reach 1.5 x");
        bySize(report, BenchTables.LARGE, BenchTables.SMALL);
        report.heading("One and two letters among 1,000,000 rows, page and count, beside 10,000 (ms, p95): to reach 300");
        for (String letters : LETTERS) {
            bySize(report, new Case(letters, "?q=" + letters), ROUNDS / 4, BenchTables.LARGE, BenchTables.SMALL);
        }
        report.heading("From page 1 to page 10,000 of 1,000,000 rows (ms, p95): to reach 1.5 x");
        for (String query : ORDERS) {
            String name = query.isEmpty() ? "plain" : query;
            Timing[] next = Timing.alternating(ROUNDS, goingOn(BenchTables.LARGE, query), ours(BenchTables.LARGE, query, 1));
            report.p95("next after 9,999, " + name, next, "");
            goFar(BenchTables.LARGE, query);
            Timing[] jump = Timing.alternating(ROUNDS, unseen(BenchTables.LARGE, query, 10_000),
                    unseen(BenchTables.LARGE, query, 2));
            report.p95("out of the blue, " + name, jump, "somebody has gone as far before");
            Timing[] first = Timing.alternating(ROUNDS, ours(BenchTables.LARGE, query, 10_000),
                    ours(BenchTables.LARGE, query, 1));
            report.p95("the first to go far, " + name, first, "rows have just changed");
        }
    }

    /** The same of ten times as many rows, which take a third of an hour to make. */
    void vast(Report report) throws Exception {
        warmUp(BenchTables.LARGE, BenchTables.VAST);
        report.heading("The same from 1,000,000 to 10,000,000 rows (ms, p95): to reach 1.5 x");
        bySize(report, BenchTables.VAST, BenchTables.LARGE);
        for (String letters : LETTERS) {
            bySize(report, new Case("letters " + letters, "?q=" + letters), ROUNDS / 4, BenchTables.VAST, BenchTables.LARGE);
        }
        for (String query : ORDERS) {
            String name = query.isEmpty() ? "plain" : query;
            Timing[] next = Timing.alternating(ROUNDS, goingOn(BenchTables.VAST, query), goingOn(BenchTables.LARGE, query));
            report.p95("next after 9,999, " + name, next, "");
            goFar(BenchTables.VAST, query);
            goFar(BenchTables.LARGE, query);
            Timing[] jump = Timing.alternating(ROUNDS, unseen(BenchTables.VAST, query, 10_000),
                    unseen(BenchTables.LARGE, query, 10_000));
            report.p95("out of the blue, " + name, jump, "");
            Timing[] first = Timing.alternating(ROUNDS, ours(BenchTables.VAST, query, 10_000),
                    ours(BenchTables.LARGE, query, 10_000));
            report.p95("the first to go far, " + name, first, "");
        }
    }

    private void bySize(Report report, int larger, int smaller) throws Exception {
        for (Case each : CASES) {
            bySize(report, each, ROUNDS, larger, smaller);
        }
    }

    private void bySize(Report report, Case each, int rounds, int larger, int smaller) throws Exception {
        report.p95(each.name, Timing.alternating(rounds, ours(larger, each.query, 1), ours(smaller, each.query, 1)), "");
    }

    private void warmUp(Integer... sizes) throws SQLException {
        for (int round = 0; round < WARM_UP; round++) {
            for (Case each : CASES) {
                for (int size : sizes) {
                    change(size);
                    rows.page(query(size, each.query, 1), LANGUAGE);
                }
            }
        }
        settled();
    }

    /** Asks for a page of rows that have just changed. */
    private Timing.Work ours(int size, String query, int page) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                change(size);
            }

            @Override
            public void run(int round) throws Exception {
                rows.page(query(size, query, page), LANGUAGE);
            }

            @Override
            public void settle() throws SQLException {
                settled();
            }
        };
    }

    /** Asks for page 10,000 as somebody does who has just looked at page 9,999. */
    private Timing.Work goingOn(int size, String query) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                change(size);
                rows.page(query(size, query, 9_999), LANGUAGE);
                settle();
            }

            @Override
            public void run(int round) {
                rows.page(query(size, query, 10_000), LANGUAGE);
            }

            @Override
            public void settle() throws SQLException {
                settled();
            }
        };
    }

    /** Asks for pages that nobody has seen since the rows changed last. */
    private Timing.Work unseen(int size, String query, int from) {
        return round -> rows.page(query(size, query, from + 7 * round), LANGUAGE);
    }

    /** Goes far into the order until that is quick wherever one goes. */
    private void goFar(int size, String query) {
        int quick = 0;
        while (quick < 8) {
            long start = System.nanoTime();
            rows.page(query(size, query, PAGES.nextInt(11_000, 30_000)), LANGUAGE);
            boolean isQuick = System.nanoTime() - start < 8_000_000;
            quick = isQuick ? quick + 1 : 0;
            LockSupport.parkNanos(isQuick ? 0 : 500_000_000);
        }
    }

    /** Waits until whatever an answer set going in the background has ended. */
    void settled() throws SQLException {
        try (Connection connection = database.getConnection()) {
            while (isBusy(connection)) {
                connection.commit(); // within a transaction the answer would stay the same
                LockSupport.parkNanos(1_000_000);
            }
            connection.commit();
        }
    }

    private static boolean isBusy(Connection connection) throws SQLException {
        try (ResultSet busy = connection.createStatement().executeQuery("select exists (select from pg_stat_activity "
                + "where state = 'active' and datname = current_database() and pid <> pg_backend_pid())")) {
            busy.next();
            return busy.getBoolean(1);
        }
    }

    /** Changes a row. */
    void change(int size) throws SQLException {
        RowQuery first = query(size, "", 1);
        long before = rows.revision(first);
        try (Connection connection = database.getConnection()) {
            connection.createStatement().execute(
                    "update hosted." + first.table().key() + " set changed_at = now() where row_id = 7");
            connection.commit();
        }
        while (rows.revision(first) == before) {
            Thread.onSpinWait();
        }
    }

    private RowQuery query(int size, String query, int page) {
        Listing listing = BenchTables.listing(size);
        RequestState state = new StateAddress(listing, BenchTables.table(size),
                AddressPart.whole(Queries.parse(query))).read().state();
        return RowQuery.of(listing, Sight.of(BenchTables.table(size)), Visitor.ANYONE,
                state.withPage(page), Standpoint.NOBODY);
    }

    private List<Statement> statements(Case each) throws SQLException {
        change(BenchTables.LARGE);
        SentStatements.start();
        rows.page(query(BenchTables.LARGE, each.query, 1), LANGUAGE);
        return SentStatements.stop();
    }

    private Timing.Work plain(List<Statement> statements) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                change(BenchTables.LARGE);
            }

            @Override
            public void run(int round) throws Exception {
                new PlainJdbc(database).send(statements);
            }
        };
    }
}
