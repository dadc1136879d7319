package org.pressboard.bench;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.pressboard.bench.SentStatements.Statement;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.StateAddress;
import org.pressboard.rows.Rows;
import org.pressboard.schema.Indexes;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** A listing of a million rows with three borrowed fields and a tally over a million rows that refer to them. */
@Component
class RelatedBench {

    private static final int ROUNDS = 40;
    private static final int GROWERS = 10_000;
    private static final Locale LANGUAGE = Locale.ENGLISH;
    private static final Author OWNER = new Author(null, "bench", Author.Origin.DEMO);
    private static final TableKey LOTS = new TableKey("lots");
    private static final FieldKey GROWER = new FieldKey("grower");
    private static final FieldKey LOT = new FieldKey("lot");
    private static final FieldKey WEIGHT = new FieldKey("weight");
    private static final FieldKey TOTAL = new FieldKey("total");
    private static final List<String> CASES =
            List.of("", "?sort=-total", "?sort=grower_name", "?q=grower1234", "?sort=-total&page=400");

    private final Rows rows;
    private final Catalog catalog;
    private final TableChanges changes;
    private final Publisher publisher;
    private final Indexes indexes;
    private final DSLContext sql;
    private final TransactionTemplate transaction;
    private final DataSource database;

    RelatedBench(Rows rows, Catalog catalog, TableChanges changes, Publisher publisher, Indexes indexes, DSLContext sql,
            TransactionTemplate transaction, DataSource database) {
        this.rows = rows;
        this.catalog = catalog;
        this.changes = changes;
        this.publisher = publisher;
        this.indexes = indexes;
        this.sql = sql;
        this.transaction = transaction;
        this.database = database;
    }

    void run(Report report) throws Exception {
        if (catalog.table(LOTS).isEmpty()) {
            make();
        }
        report.heading("1,000,000 rows with three borrowed fields and a tally over 1,000,000, server time (ms, p95): ours,"
                + " the same statements by plain JDBC; to reach 1.3 x + 5 ms");
        for (String query : CASES) {
            List<Statement> statements = statements(query);
            PlainJdbc plain = new PlainJdbc(database);
            Timing[] timing = Timing.alternating(ROUNDS, work(round -> rows.page(query(query), LANGUAGE)),
                    work(round -> plain.send(statements)));
            report.p95(query.isEmpty() ? "plain" : query, timing, statements.size() + " statements");
        }
        report.heading("Adding one row that refers (ms, p95): with the tally kept, without; to reach 5 ms more");
        Timing[] timing = Timing.alternating(ROUNDS * 5, round -> insert("crates", round),
                round -> insert("bare_crates", round));
        report.p95("one row", timing, "");
    }

    private Timing.Work work(Timing.Work asking) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                change();
            }

            @Override
            public void run(int round) throws Exception {
                asking.run(round);
            }
        };
    }

    private void change() throws SQLException {
        RowQuery first = query("");
        long before = rows.revision(first);
        execute("update hosted.lots set changed_at = now() where row_id = 7");
        while (rows.revision(first) == before) {
            Thread.onSpinWait();
        }
    }

    private void insert(String table, int round) throws SQLException {
        execute("insert into hosted." + table + " (lot, weight) values (" + (1 + round * 7919L % 1_000_000) + ", 3.5)");
    }

    private void execute(String statement) throws SQLException {
        try (Connection connection = database.getConnection()) {
            connection.createStatement().execute(statement);
            connection.commit();
        }
    }

    private List<Statement> statements(String query) throws SQLException {
        change();
        SentStatements.start();
        rows.page(query(query), LANGUAGE);
        return SentStatements.stop();
    }

    private RowQuery query(String query) {
        Listing listing = listing();
        var sight = catalog.published().sight(Visitor.ANYONE, LOTS);
        return RowQuery.of(listing, sight, Visitor.ANYONE, new StateAddress(listing, sight.table(),
                AddressPart.whole(Queries.parse(query))).read().state(), Standpoint.NOBODY);
    }

    private static Listing listing() {
        List<FieldKey> show = List.of(new FieldKey("name"), GROWER, new FieldKey("grower_name"),
                new FieldKey("grower_since"), new FieldKey("grower_region"), TOTAL);
        return Listing.plain(new ListingKey("lots"), LOTS, show)
                .with(Finding.by(List.of(new FieldKey("name"), new FieldKey("grower_name")), List.of(GROWER)));
    }

    private void make() throws Exception {
        System.err.println("making lots, growers and crates");
        Table growers = changes.make("Growers", new Fields(List.of(field("name", new Textual.Text()),
                field("since", new Temporal.Date()), field("region", new Textual.Text()))), OWNER);
        Table lots = changes.make("Lots", new Fields(List.of(field("name", new Textual.Text()),
                field("grower", new Referring.Reference(growers.key(), Referring.OnRemoval.REFUSE)))), OWNER);
        Referring.Reference toLots = new Referring.Reference(lots.key(), Referring.OnRemoval.REFUSE);
        for (String name : List.of("Crates", "Bare crates")) {
            changes.make(name, new Fields(List.of(new Field(LOT, "Lot", toLots),
                    new Field(WEIGHT, "Weight", new Numeric.Decimal(1)))), OWNER);
        }
        fill("insert into hosted.growers (name, since, region) select 'Grower' || i, date '2000-01-01' + i % 9000, "
                + "'Region ' || i % 40 from generate_series(1, " + GROWERS + ") i");
        fill("insert into hosted.lots (name, grower) select 'Lot ' || i, 1 + i * 7 % " + GROWERS
                + " from generate_series(1, 1000000) i");
        for (String table : List.of("crates", "bare_crates")) {
            fill("insert into hosted." + table + " (lot, weight) select 1 + i * 7919 % 1000000, i % 300 / 10.0 "
                    + "from generate_series(1::bigint, 1000000) i");
        }
        transaction.executeWithoutResult(status -> compute());
        Map.of("lots", Openness.EVERYONE, "growers", Openness.EVERYONE)
                .forEach((table, open) -> publisher.open(new TableKey(table), open));
        indexes.make(catalog.published().tables(), listing(), LANGUAGE);
    }

    private void compute() {
        sql.execute("set local statement_timeout = 0");
        for (String borrowed : List.of("name", "since", "region")) {
            changes.addField(LOTS, Field.computed(new FieldKey("grower_" + borrowed), "Grower " + borrowed,
                    new Computed.Borrowed(List.of(GROWER), new FieldKey(borrowed))), OWNER);
        }
        changes.addField(LOTS, Field.computed(TOTAL, "Total", new Computed.Tally(new TableKey("crates"), LOT,
                Computed.Measure.SUM, WEIGHT, Condition.ALWAYS, null, null, Computed.Floor.NONE)), OWNER);
    }

    private void fill(String statement) {
        transaction.executeWithoutResult(status -> {
            sql.execute("set local statement_timeout = 0");
            sql.execute(statement);
        });
    }

    private static Field field(String key, org.pressboard.table.FieldType type) {
        return new Field(new FieldKey(key), key, type);
    }
}
