package org.pressboard.schema;

import java.sql.Connection;
import java.sql.SQLException;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.locks.LockSupport;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Name;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.pressboard.listing.Listing;
import org.pressboard.sql.TableSql;
import org.pressboard.table.FieldKey;
import org.pressboard.table.Table;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * The indexes that a published listing needs: one for each field by which it can be sorted or narrowed, and one of
 * trigrams for each field searched. They are made one after the other in the background, without holding up readers
 * or writers; what is there already is left alone.
 */
@Component
public class Indexes implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(Indexes.class);
    private static final long TURN = 0x70726573736978L;
    private static final Duration BETWEEN_ASKING = Duration.ofMillis(100);
    private static final ThreadFactory THREADS = Thread.ofVirtual().name("indexes-", 0).factory();

    private final DataSource database;
    private final DSLContext sql;
    private final ExecutorService background = Executors.newSingleThreadExecutor(THREADS);

    Indexes(DataSource database, DSLContext sql) {
        this.database = database;
        this.sql = sql;
    }

    /** How far the indexes of a listing are. */
    public record Progress(int ready, int wanted) {

        public boolean isComplete() {
            return ready == wanted;
        }
    }

    /** Begins to make what the listing lacks and returns at once. */
    public void makeInBackground(Table table, Listing listing, Locale language) {
        background.execute(() -> {
            try {
                make(table, listing, language);
            } catch (SQLException | org.jooq.exception.DataAccessException failed) {
                LOG.warn("The indexes of {} are not complete; listings are slower until the next start or edition: {}",
                        table.key(), failed.getMessage());
            }
        });
    }

    /** Makes what the listing lacks; outside any transaction, for such indexes cannot be made in one. */
    public void make(Table table, Listing listing, Locale language) throws SQLException {
        try (Connection connection = database.getConnection()) {
            connection.setAutoCommit(true);
            DSLContext direct = DSL.using(connection, SQLDialect.POSTGRES, sql.settings());
            try {
                takeTurn(direct);
                make(direct, table, listing, language);
            } finally {
                direct.execute("select pg_advisory_unlock_all()");
                direct.execute("reset statement_timeout");
                connection.setAutoCommit(false);
            }
        }
    }

    /**
     * Two that make indexes at once, on this node or on another, would wait for each other for ever. So each asks
     * again and again for its turn; a statement that waits for it would itself be waited for.
     */
    private static void takeTurn(DSLContext direct) {
        while (!Boolean.TRUE.equals(direct.fetchValue("select pg_try_advisory_lock({0})", DSL.inline(TURN)))) {
            LockSupport.parkNanos(BETWEEN_ASKING.toNanos());
        }
    }

    private void make(DSLContext direct, Table table, Listing listing, Locale language) {
        direct.execute("set statement_timeout = 0");
        if (!exists(direct, table)) {
            return; // removed while it waited for its turn
        }
        Set<String> there = valid(direct, table);
        Map<String, String> missing = wanted(direct, table, listing, language);
        missing.keySet().removeAll(there);
        if (!missing.isEmpty()) {
            direct.execute("vacuum (analyze) {0}", TableSql.name(table));
        }
        missing.forEach((name, statement) -> {
            // one that broke off is there but not valid
            direct.execute("drop index concurrently if exists {0}", DSL.name(TableSql.SCHEMA, name));
            direct.execute(statement);
        });
    }

    public Progress progress(Table table, Listing listing, Locale language) {
        Set<String> wanted = wanted(sql, table, listing, language).keySet();
        Set<String> there = valid(sql, table);
        return new Progress((int) wanted.stream().filter(there::contains).count(), wanted.size());
    }

    private Map<String, String> wanted(DSLContext with, Table table, Listing listing, Locale language) {
        TableSql tableSql = new TableSql(table, language);
        Map<String, String> statements = new LinkedHashMap<>();
        for (FieldKey field : sortedOrNarrowed(table, listing)) {
            String name = IndexName.of(table, field, "order_" + language.toLanguageTag().toLowerCase(Locale.ROOT));
            statements.put(name, with.render(DSL.query("create index concurrently {0} on {1} ({2}, {3})",
                    DSL.name(name), TableSql.name(table), tableSql.collated(field), tableSql.rowId())));
        }
        Name trigrams = trigramClass(with);
        for (FieldKey field : listing.search()) {
            String name = IndexName.of(table, field, "search");
            statements.put(name, with.render(DSL.query("create index concurrently {0} on {1} using gin ({2} {3})",
                    DSL.name(name), TableSql.name(table), tableSql.column(field), trigrams)));
        }
        return statements;
    }

    private static List<FieldKey> sortedOrNarrowed(Table table, Listing listing) {
        return java.util.stream.Stream.concat(
                listing.show().stream().filter(field -> table.field(field).type().isSortable()),
                listing.narrow().stream()).distinct().toList();
    }

    /** The extension may stand in any schema of a database that was there before Pressboard. */
    private static Name trigramClass(DSLContext with) {
        Field<String> schema = DSL.field("extnamespace::regnamespace::text", String.class);
        return DSL.name(with.select(schema).from("pg_extension").where("extname = 'pg_trgm'")
                .fetchSingle(schema), "gin_trgm_ops");
    }

    private static boolean exists(DSLContext with, Table table) {
        return with.fetchValue("select to_regclass({0})", DSL.val(with.render(TableSql.name(table)))) != null;
    }

    private static Set<String> valid(DSLContext with, Table table) {
        return with.fetch("select c.relname from pg_index i join pg_class c on c.oid = i.indexrelid "
                        + "where i.indrelid = to_regclass({0}) and i.indisvalid",
                DSL.val(with.render(TableSql.name(table)))).intoSet(0, String.class);
    }

    @Override
    public void destroy() {
        background.shutdownNow();
    }
}
