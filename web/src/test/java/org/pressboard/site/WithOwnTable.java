package org.pressboard.site;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterEach;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Listing;
import org.pressboard.schema.HostedTables;
import org.pressboard.schema.Publisher;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.Eventually;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** What tests share that publish a table of their own, at {@code /grafts}, and take it away again. */
abstract class WithOwnTable extends InBrowser {

    static final FieldKey NAME = new FieldKey("name");
    static final FieldKey YEAR = new FieldKey("year");
    static final Table GRAFTS = new Table(new TableKey("grafts"), "Grafts", new Fields(List.of(
            new Field(NAME, "Name", new Textual.Text()), new Field(YEAR, "Year", new Numeric.WholeNumber(false)))));
    private static final PageKey PAGE = new PageKey("grafts");

    @Autowired
    private Catalog catalog;

    @Autowired
    private HostedTables tables;

    @Autowired
    private Publisher publisher;

    @Autowired
    private DSLContext sql;

    @Autowired
    private PlatformTransactionManager transactions;

    /** Publishes so many grafts, the first of 1961. */
    void publish(int rows, Listing... listings) {
        new TransactionTemplate(transactions).executeWithoutResult(status -> {
            tables.create(GRAFTS);
            catalog.addTable(GRAFTS);
            sql.execute("insert into hosted.grafts (name, year) select 'Graft' || i, 1960 + i "
                    + "from generate_series(1, {0}) i", rows);
            catalog.addPage(new Page(PAGE, "Grafts", List.of(listings)));
            publisher.publish(PAGE, Map.of(GRAFTS.key(), Openness.EVERYONE), null);
        });
        // whoever locks the table would else wait for its indexes, and they for whoever locks it
        Eventually.holds(() -> Arrays.stream(listings).allMatch(listing -> publisher.indexProgress(listing).isComplete()));
    }

    /** Names the first of the grafts. */
    void nameTheFirst(String name) {
        new TransactionTemplate(transactions).executeWithoutResult(status ->
                sql.execute("update hosted.grafts set name = {0} where year = 1961", DSL.val(name)));
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(GRAFTS.key());
    }
}
