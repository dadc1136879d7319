package org.pressboard.bench;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jooq.DSLContext;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.schema.HostedTables;
import org.pressboard.schema.Indexes;
import org.pressboard.schema.Publisher;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Made-up harvest records, ten thousand, a million and ten million of them, published like any owner's table. */
class BenchTables {

    /** The demo's language, by which the indexes sort. */
    static final Locale LANGUAGE = Locale.UK;

    static final int SMALL = 10_000;
    static final int LARGE = 1_000_000;
    static final int VAST = 10_000_000;

    private final DSLContext sql;
    private final Catalog catalog;
    private final HostedTables tables;
    private final Publisher publisher;
    private final Indexes indexes;
    private final TransactionTemplate transaction;

    BenchTables(DSLContext sql, Catalog catalog, HostedTables tables, Publisher publisher, Indexes indexes,
            PlatformTransactionManager transactions) {
        this.sql = sql;
        this.catalog = catalog;
        this.tables = tables;
        this.publisher = publisher;
        this.indexes = indexes;
        this.transaction = new TransactionTemplate(transactions);
    }

    static Table table(int rows) {
        return new Table(new TableKey("harvest_" + rows), "Harvest " + rows, new Fields(List.of(
                field("name", new Textual.Text()), field("notes", new Textual.Text()),
                field("use", Chosen.Choice.of(List.of("Eating", "Cooking", "Cider", "Keeping", "Drying"))),
                field("plot", new Textual.Text()), field("weeks", new Numeric.WholeNumber(true)),
                field("kilograms", new Numeric.Decimal(1)), field("picked", new Temporal.Date()),
                field("sound", new FieldType.YesNo()))));
    }

    private static Field field(String key, FieldType type) {
        return new Field(new FieldKey(key), key, type);
    }

    static Listing listing(int rows) {
        return Suggestion.forTable(table(rows), new ListingKey("harvest-" + rows), field -> true);
    }

    void make(int rows) throws Exception {
        Table table = table(rows);
        if (catalog.table(table.key()).isPresent()) {
            return;
        }
        System.err.println("making a table of " + rows + " rows");
        transaction.executeWithoutResult(status -> fill(table, rows));
        publisher.publish(new PageKey("harvest-" + rows), Map.of(table.key(), Openness.EVERYONE), null);
        indexes.make(Tables.of(List.of(table)), listing(rows), LANGUAGE);
    }

    private void fill(Table table, int rows) {
        sql.execute("set local statement_timeout = 0");
        tables.create(table);
        catalog.addTable(table);
        sql.execute("select setseed(0.5)");
        sql.execute("insert into hosted." + table.key() + " (name, notes, use, plot, weeks, kilograms, picked, sound) "
                + "select (array['Hollin','Bramber','Copper','Skylark','Marrow','Vesper','Rook','Millrace'])[1+i%8] "
                + "|| ' ' || (array['Pippin','Russet','Codlin','Reinette','Costard'])[1+(i/8)%5] || ' ' || i, "
                + "md5(i::text) || case when random() < 0.025 then ' windfall' else '' end "
                + "|| case when i % 50000 = 17 then ' quincelike' else '' end, "
                + "(array['Eating','Cooking','Cider','Keeping','Drying'])[1+(random()*4)::int], "
                + "chr(65+(random()*25)::int) || (i % 200), (random()*40)::int, round((random()*900)::numeric, 1), "
                + "case when i % 30 = 0 then null else date '1990-01-01' + (random()*13000)::int end, i % 3 = 0 "
                + "from generate_series(1, " + rows + ") i");
        sql.execute("analyze hosted." + table.key());
        catalog.addPage(new Page(new PageKey("harvest-" + rows), table.label(), List.of(listing(rows))));
    }

}
