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
import org.pressboard.listing.Total;
import org.pressboard.rows.Rows;

/**
 * A page of a listing: what {@link Rows} takes, against the statements it sends, sent by plain JDBC on a connection
 * of the same pool. Before each round the rows count as changed, so nothing kept from an earlier round serves.
 */
class ListingBench {

    private static final int ROUNDS = 25;
    private static final Locale LANGUAGE = BenchTables.LANGUAGE;

    /** What is measured: the query part of the address, and where the page is one of many, which. */
    record Case(String name, String query) {
    }

    static final List<Case> CASES = List.of(new Case("plain", ""), new Case("rare search", "?q=quincelike"),
            new Case("common search", "?q=windfall"), new Case("narrowed and sorted", "?f.use=Cider&sort=-picked"),
            new Case("sorted by text", "?sort=name"));

    private final Rows rows;
    private final DataSource database;

    ListingBench(Rows rows, DataSource database) {
        this.rows = rows;
        this.database = database;
    }

    void run(Report report) throws Exception {
        report.heading("Listing page at 1,000,000 rows, server time (ms, p95): ours, the same statements by plain JDBC;"
                + " to reach 1.3 x + 5 ms");
        for (Case each : CASES) {
            List<Statement> statements = statements(each);
            Timing[] timing = Timing.alternating(ROUNDS, ours(BenchTables.LARGE, each.query, 1),
                    round -> plain(statements));
            report.ratio(each.name, timing[0].p95(), timing[1].p95(), statements.size() + " statements");
        }
        report.heading("The same from 10,000 to 1,000,000 rows (ms, p95): to reach 1.5 x");
        for (Case each : CASES) {
            Timing[] timing = Timing.alternating(ROUNDS, ours(BenchTables.LARGE, each.query, 1),
                    ours(BenchTables.SMALL, each.query, 1));
            report.ratio(each.name, timing[0].p95(), timing[1].p95(), "");
        }
        report.heading("From page 1 to page 10,000 of 1,000,000 rows (ms, p95): to reach 1.5 x");
        for (String query : List.of("", "?sort=-kilograms", "?sort=name")) {
            String name = query.isEmpty() ? "plain" : query;
            Timing[] next = Timing.alternating(ROUNDS, goingOn(query), ours(BenchTables.LARGE, query, 1));
            report.ratio("next after 9,999, " + name, next[0].p95(), next[1].p95(), "");
            Timing[] jump = Timing.alternating(20, ours(BenchTables.LARGE, query, 10_000),
                    ours(BenchTables.LARGE, query, 1));
            report.ratio("out of the blue, " + name, jump[0].p95(), jump[1].p95(), "");
        }
    }

    /** Asks for a page of rows that have just changed. */
    private Timing.Work ours(int size, String query, int page) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                change(size);
            }

            @Override
            public void run(int round) {
                rows.page(query(size, query, page), LANGUAGE);
            }
        };
    }

    /** Asks for page 10,000 as somebody does who has just looked at page 9,999. */
    private Timing.Work goingOn(String query) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                change(BenchTables.LARGE);
                rows.page(query(BenchTables.LARGE, query, 9_999), LANGUAGE);
            }

            @Override
            public void run(int round) {
                rows.page(query(BenchTables.LARGE, query, 10_000), LANGUAGE);
            }
        };
    }

    /** Says that rows have changed, once whatever an earlier change set going has ended. */
    private void change(int size) throws SQLException {
        RowQuery first = query(size, "", 1);
        while (!(rows.page(first, LANGUAGE).outOf() instanceof Total.Exactly)) {
            Thread.onSpinWait();
        }
        long before = rows.revision(first);
        try (Connection connection = database.getConnection()) {
            connection.createStatement().execute(
                    "select pg_notify('pressboard_changes', 'rows " + first.table().key() + "')");
            connection.commit();
        }
        while (rows.revision(first) == before) {
            Thread.onSpinWait();
        }
    }

    private RowQuery query(int size, String query, int page) {
        Listing listing = BenchTables.listing(size);
        RequestState state = new StateAddress(listing, BenchTables.table(size)).read(Queries.parse(query)).state();
        return RowQuery.of(listing, BenchTables.table(size), Visitor.ANYONE, new Decision.Allowed(Condition.ALWAYS),
                state.withPage(page), LocalDate.EPOCH);
    }

    /** A statement that Pressboard sent, with its values written into it. */
    record Statement(String sql) {
    }

    private List<Statement> statements(Case each) throws SQLException {
        change(BenchTables.LARGE);
        SentStatements.start();
        rows.page(query(BenchTables.LARGE, each.query, 1), LANGUAGE);
        return SentStatements.stop().stream().map(Statement::new).toList();
    }

    private void plain(List<Statement> statements) throws SQLException {
        try (Connection connection = database.getConnection()) {
            connection.setReadOnly(true);
            for (Statement statement : statements) {
                if (statement.sql.startsWith("set local statement_timeout")) {
                    connection.commit(); // each count is a transaction of its own
                }
                execute(connection, statement);
            }
            connection.commit();
            connection.setReadOnly(false);
        }
    }

    private static void execute(Connection connection, Statement statement) throws SQLException {
        try (PreparedStatement prepared = connection.prepareStatement(statement.sql)) {
            if (prepared.execute()) {
                readAll(prepared.getResultSet());
            }
        } catch (SQLException failed) {
            if (!"57014".equals(failed.getSQLState())) {
                throw failed;
            }
            connection.rollback(); // a count that took too long is given up, as ours is
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
