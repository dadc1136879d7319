package org.pressboard.testing;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.bulk.TestLoad;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.history.Author;
import org.pressboard.schema.HostedTables;
import org.pressboard.schema.Publisher;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** What tests of the store share: one database for all of them, in which each makes tables of its own. */
@SpringBootTest(classes = StoreApplication.class, properties = {
    "spring.config.import=classpath:store-test.yaml"})
public abstract class StoreTest {

    protected static final TestDatabase DATABASE = TestDatabase.create();
    protected static final Author OWNER = new Author(null, "owner@example.org", Author.Origin.DESK);
    protected static final Locale ENGLISH = Locale.ENGLISH;
    private static final AtomicInteger TABLES = new AtomicInteger();

    @Autowired
    protected DSLContext sql;

    @Autowired
    protected Catalog catalog;

    @Autowired
    protected HostedTables hostedTables;

    @Autowired
    protected Publisher publisher;

    private TransactionTemplate transaction;

    @Autowired
    void transactions(PlatformTransactionManager transactions) {
        transaction = new TransactionTemplate(transactions);
    }

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        DATABASE.properties().forEach((name, value) -> registry.add(name, () -> value));
    }

    protected <T> @Nullable T inTransaction(java.util.function.Supplier<@Nullable T> work) {
        return transaction.execute(status -> work.get());
    }

    protected void inTransaction(Runnable work) {
        transaction.executeWithoutResult(status -> work.run());
    }

    /** A new table like that of the shared cases, with these rows. */
    protected Table tableWith(List<Row> rows) {
        Table table = new Table(new TableKey("apples_" + TABLES.incrementAndGet()), "Apples", Cases.TABLE.fields());
        return make(table, rows);
    }

    protected Table make(Table table, List<Row> rows) {
        inTransaction(() -> {
            hostedTables.create(table);
            catalog.addTable(table);
            load(table, rows);
        });
        return table;
    }

    /** Brings rows into a table that is there, by COPY, as an intake does. */
    protected void load(Table table, List<Row> rows) {
        inTransaction(() -> TestLoad.load(sql, table, UUID.randomUUID(), outcomes(table, rows)));
    }

    private static Iterator<List<org.pressboard.value.@Nullable Value>> outcomes(Table table, List<Row> rows) {
        List<List<org.pressboard.value.@Nullable Value>> values = new ArrayList<>();
        for (Row row : rows) {
            List<org.pressboard.value.@Nullable Value> line = new ArrayList<>();
            for (Field field : table.entered()) {
                line.add(row.get(field.key()));
            }
            values.add(line);
        }
        return values.iterator();
    }

    protected static RowQuery query(Table table, Visitor visitor, Condition within, List<SortBy> order, int page,
            int size) {
        return new RowQuery(Sight.of(table), visitor, visitor.at(Cases.midnight()), within, Condition.ALWAYS, order, page, size,
                table.fields().stream().map(Field::key).toList());
    }

    protected static Decision all() {
        return new Decision.Allowed(Condition.ALWAYS);
    }

    protected static org.jooq.Name name(String... parts) {
        return DSL.name(parts);
    }
}
