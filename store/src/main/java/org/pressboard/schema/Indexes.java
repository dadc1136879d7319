package org.pressboard.schema;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Name;
import org.jooq.Query;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.pressboard.listing.Listing;
import org.pressboard.listing.SortBy;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.source.Hosted;
import org.pressboard.sql.Canceled;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Chosen;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.stereotype.Component;

/**
 * The indexes that a published listing needs: one for each field by which it can be sorted or narrowed, and one of
 * trigrams for what is searched. They are made one after the other in the background, without holding up readers
 * or writers; what is there already is left alone.
 */
@Component
public class Indexes implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(Indexes.class);
    static final long TURN = 0x70726573736978L;
    private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);
    private static final Duration BETWEEN_ASKING = Duration.ofMillis(100);
    private static final ThreadFactory THREADS = Thread.ofVirtual().name("indexes-", 0).factory();

    private final JdbcConnectionDetails database;
    private final DSLContext sql;
    private final ExecutorService background = Executors.newSingleThreadExecutor(THREADS);

    Indexes(JdbcConnectionDetails database, DSLContext sql) {
        this.database = database;
        this.sql = sql;
    }

    /** How far the indexes of a listing are. */
    public record Progress(int ready, int wanted) {

        public boolean isComplete() {
            return ready == wanted;
        }
    }

    /**
     * An index that a listing needs, of its table or of one that its fields lead to.
     *
     * @param instead how the names begin of those that it makes useless
     */
    private record Wanted(Table table, String name, String statement, String instead) {

        Wanted(Table table, String name, String statement) {
            this(table, name, statement, name);
        }
    }

    /** Begins to make what the listing lacks and returns at once. */
    public void makeInBackground(Tables tables, Listing listing, Locale language) {
        background.execute(() -> {
            try {
                make(tables, listing, language);
            } catch (SQLException | org.jooq.exception.DataAccessException failed) {
                if (Canceled.is(failed)) {
                    // it gave way
                    makeInBackground(tables, listing, language);
                } else {
                    LOG.warn("The indexes of {} are not complete; listings are slower until the next start or "
                            + "edition: {}", listing.key(), failed.getMessage());
                }
            }
        });
    }

    /**
     * Makes what the listing lacks; outside any transaction, for such indexes cannot be made in one. By a connection
     * of its own: whatever becomes of it, its turn ends with it.
     */
    public void make(Tables tables, Listing listing, Locale language) throws SQLException {
        try (Connection connection = DriverManager.getConnection(database.getJdbcUrl(), database.getUsername(),
                database.getPassword())) {
            DSLContext direct = DSL.using(connection, SQLDialect.POSTGRES, sql.settings());
            direct.execute("set statement_timeout = 0");
            takeTurn(direct);
            make(direct, tables, listing, language);
        }
    }

    /**
     * Lets the caller's transaction go first, which is to alter or remove a table: what is being made is broken off,
     * and begun again after. Either would wait for the other for ever.
     *
     * @throws ProblemsFound when somebody else alters a table, and takes long over it
     */
    void giveWay() {
        giveWay(LONGEST_WAIT);
    }

    /** The same for as long as that at most. */
    void giveWay(Duration longest) {
        long end = System.nanoTime() + longest.toNanos();
        while (!isTrue(sql, "select pg_try_advisory_xact_lock({0})")) {
            if (System.nanoTime() > end) {
                throw ProblemsFound.of("table.another-changes");
            }
            breakOff();
            LockSupport.parkNanos(BETWEEN_ASKING.dividedBy(5).toNanos());
        }
    }

    /** Only what makes indexes here, not another that alters a table, nor what is made in other databases of the server. */
    private void breakOff() {
        // within a transaction one is told again and again what one was told first
        sql.execute("select pg_stat_clear_snapshot()");
        sql.fetch("select pg_cancel_backend(turn.pid) from pg_locks turn join pg_stat_activity maker using (pid) "
                + "where turn.locktype = 'advisory' and turn.granted and turn.objsubid = 1 and maker.datname = current_database() "
                + "and (turn.classid::bigint << 32) + turn.objid::bigint = {0} and maker.state = 'active' "
                + "and maker.query ~ '^(vacuum|(create|drop) index concurrently)'", DSL.inline(TURN));
    }

    /**
     * Two that make indexes at once, on this node or on another, would wait for each other for ever. So each asks
     * again and again for its turn; a statement that waits for it would itself be waited for. Whoever alters a table
     * asks more often, and so comes first.
     */
    private static void takeTurn(DSLContext direct) {
        do {
            LockSupport.parkNanos(BETWEEN_ASKING.toNanos());
        } while (!isTrue(direct, "select pg_try_advisory_lock({0})"));
    }

    private static boolean isTrue(DSLContext with, String question) {
        return Boolean.TRUE.equals(with.fetchValue(question, DSL.inline(TURN)));
    }

    private void make(DSLContext direct, Tables tables, Listing listing, Locale language) {
        if (!exists(direct, tables.get(listing.table()))) {
            return; // removed while it waited for its turn
        }
        List<Wanted> missing = new ArrayList<>(wanted(direct, tables, listing, language));
        Set<String> there = valid(direct);
        missing.removeIf(index -> there.contains(index.name) || !exists(direct, index.table));
        missing.stream().map(Wanted::table).distinct()
                .forEach(table -> direct.execute("vacuum (analyze) {0}", Hosted.name(table)));
        missing.forEach(index -> {
            // one that broke off is there but not valid
            direct.execute("drop index concurrently if exists {0}", Hosted.index(index.name));
            direct.execute(index.statement);
            outdated(direct, index).forEach(other ->
                    direct.execute("drop index concurrently if exists {0}", Hosted.index(other)));
        });
    }

    public Progress progress(Tables tables, Listing listing, Locale language) {
        List<Wanted> wanted = wanted(sql, tables, listing, language);
        Set<String> there = valid(sql);
        return new Progress((int) wanted.stream().filter(index -> there.contains(index.name)).count(), wanted.size());
    }

    /** Of what the table has no more, nothing is wanted. */
    private List<Wanted> wanted(DSLContext with, Tables tables, Listing whole, Locale language) {
        Table table = tables.get(whole.table());
        Listing listing = whole.of(tables, table);
        List<Wanted> wanted = new ArrayList<>();
        for (FieldKey key : sortedOrNarrowed(table, listing)) {
            tables.columnsOf(table, table.field(key)).forEach(column -> {
                wanted.add(order(with, column, language));
                if (column.by().type() instanceof Chosen.Choice choice) {
                    wanted.add(rank(with, column, choice, language));
                }
            });
        }
        for (FieldKey key : listing.find().search()) {
            tables.columnsOf(table, table.field(key)).stream().map(Tables.Reference::from)
                    .map(searched -> search(with, searched)).forEach(wanted::add);
        }
        return wanted.stream().distinct().toList();
    }

    private static Wanted order(DSLContext with, Tables.Reference column, Locale language) {
        Table table = column.from();
        Field<?> indexed = TableSql.alone(table, language).indexed(column.by().key());
        String name = IndexName.of(table, column.by().key(),
                "order_" + language.toLanguageTag().toLowerCase(Locale.ROOT));
        Query statement = column.by().type().isSeveral()
                ? DSL.query("create index concurrently {0} on {1} using gin ({2})", DSL.name(name),
                        Hosted.name(table), TableSql.column(column.by()))
                : DSL.query("create index concurrently {0} on {1} (({2}), {3})", DSL.name(name), Hosted.name(table),
                        indexed, Hosted.ROW);
        return new Wanted(table, name, with.render(statement));
    }

    /** Where the options are others, another. */
    private static Wanted rank(DSLContext with, Tables.Reference column, Chosen.Choice choice, Locale language) {
        Table table = column.from();
        FieldKey field = column.by().key();
        String options = choice.options().stream().map(Chosen.Option::text).collect(Collectors.joining("\n"));
        String name = IndexName.of(table, field, "rank", options);
        return new Wanted(table, name, with.render(DSL.query("create index concurrently {0} on {1} (({2}), {3})",
                DSL.name(name), Hosted.name(table), TableSql.alone(table, language).indexedInOrder(field),
                Hosted.ROW)), IndexName.of(table, field, "rank"));
    }

    private static Wanted search(DSLContext with, Table table) {
        String name = IndexName.of(table, "search");
        return new Wanted(table, name, with.render(DSL.query("create index concurrently {0} on {1} using gin ({2} {3})",
                DSL.name(name), Hosted.name(table), Hosted.SEARCH_TEXT, trigramClass(with))));
    }

    /** What the listing begins with comes before what people may sort by. */
    private static List<FieldKey> sortedOrNarrowed(Table table, Listing listing) {
        return Stream.of(listing.order().stream().map(SortBy::field),
                listing.shown().stream().filter(field -> table.field(field).type().isSortable()),
                listing.find().narrow().stream()).flatMap(fields -> fields).distinct().toList();
    }

    /** The extension may stand in any schema of a database that was there before Pressboard. */
    private static Name trigramClass(DSLContext with) {
        Field<String> schema = DSL.field("extnamespace::regnamespace::text", String.class);
        return DSL.name(with.select(schema).from("pg_extension").where("extname = 'pg_trgm'")
                .fetchSingle(schema), "gin_trgm_ops");
    }

    private static List<String> outdated(DSLContext with, Wanted index) {
        return with.fetch("select relname from pg_class where relnamespace = to_regnamespace({0}) and relkind = 'i' "
                + "and starts_with(relname, {1}) and relname <> {2}", Hosted.schema(),
                DSL.val(index.instead), DSL.val(index.name)).getValues(0, String.class);
    }

    private static boolean exists(DSLContext with, Table table) {
        return with.fetchValue("select to_regclass({0})", DSL.val(with.render(Hosted.name(table)))) != null;
    }

    private static Set<String> valid(DSLContext with) {
        return with.fetch("select c.relname from pg_index i join pg_class c on c.oid = i.indexrelid "
                + "where c.relnamespace = to_regnamespace({0}) and i.indisvalid", Hosted.schema())
                .intoSet(0, String.class);
    }

    @Override
    public void destroy() {
        background.shutdownNow();
    }
}
