package org.pressboard.change;

import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.HikariPoolMXBean;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.pressboard.table.TableKey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Knows the numbers that the database gives to the states of the catalog and of each table's rows, so that what was worked
 * out from one state can be kept until the next. Hears of changes by a connection of its own; while that is lost, the numbers
 * are asked for, and where nobody answers either, nothing kept is taken for current.
 */
@Component
public class ChangeFeed implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(ChangeFeed.class);
    private static final String CATALOG = "catalog";
    private static final String COLUMNS = "columns ";
    private static final String ROWS = "rows ";
    private static final int WAIT_MILLIS = 500;
    private static final Duration BEFORE_NEXT_TRY = Duration.ofMillis(500);

    private final RevisionReader reader;
    private final DataSource pool;
    private final DSLContext sql;
    private final Numbering numbering;
    private final String ownColumns = COLUMNS + UUID.randomUUID();
    private final Map<String, Revision> current = new ConcurrentHashMap<>();
    private final CountDownLatch stopped = new CountDownLatch(1);
    private final List<Consumer<TableKey>> listeners = new CopyOnWriteArrayList<>();
    private volatile boolean hearing;
    private volatile boolean running;

    ChangeFeed(RevisionReader reader, DataSource pool, DSLContext sql, Numbering numbering) {
        this.reader = reader;
        this.pool = pool;
        this.sql = sql;
        this.numbering = numbering;
    }

    public long catalogRevision() {
        return revision(CATALOG).number();
    }

    public Revision rowsRevision(TableKey table) {
        return revision(ROWS + table.name());
    }

    /** The state of the catalog and of a table's rows together. */
    public long revisionWith(TableKey table) {
        return Revision.together(List.of(revision(CATALOG), rowsRevision(table))).number();
    }

    /** The same as the caller's transaction sees it; see {@link #rowsRevisionSeen}. */
    public long revisionSeenWith(TableKey table) {
        return seen(Stream.of(CATALOG, ROWS + table.name())).number();
    }

    /** The state of all these together. */
    public Revision rowsRevision(Collection<TableKey> tables) {
        return tables.size() == 1 ? rowsRevision(tables.iterator().next())
                : Revision.together(tables.stream().map(this::rowsRevision).toList());
    }

    /**
     * The same as the caller's transaction sees it, to be asked before anything else is read there: what is read after it is
     * of this state or of a later one, also where the database lags behind the one that told of the changes.
     */
    public Revision rowsRevisionSeen(Collection<TableKey> tables) {
        return seen(tables.stream().map(table -> ROWS + table.name()));
    }

    private Revision seen(Stream<String> what) {
        String[] names = what.toArray(String[]::new);
        List<Revision> seen = sql.fetch("select number, lost from pressboard.revision where what = any({0})", DSL.val(names))
                .map(found -> new Revision(found.get(0, Long.class), found.get(1, Long.class)));
        return names.length > 1 ? Revision.together(seen) : seen.isEmpty() ? Revision.FIRST : seen.getFirst();
    }

    /** The catalog's state as the caller's transaction sees it; see {@link #rowsRevisionSeen}. */
    public long catalogRevisionSeen() {
        return seen(Stream.of(CATALOG)).number();
    }

    /**
     * Whether all that was heard of is seen where rows are read: a database that follows another lags behind. What is drawn
     * from it meanwhile must not be kept under the numbers heard.
     */
    public boolean isSeen() {
        Map<String, Revision> heard = Map.copyOf(current);
        Map<String, Long> seen = sql.fetch("select what, number from pressboard.revision")
                .intoMap(found -> found.get(0, String.class), found -> found.get(1, Long.class));
        return hearing && heard.entrySet().stream().allMatch(each -> seen.getOrDefault(each.getKey(), 0L) >= each.getValue().number());
    }

    private Revision revision(String what) {
        return hearing ? current.getOrDefault(what, Revision.FIRST) : reader.read(what);
    }

    /** Says, within a transaction, that it changes the catalog; told to all when it commits. */
    public void catalogChanged() {
        touch(CATALOG, "0");
    }

    /**
     * Says, within a transaction, that columns are gone or of another kind. What connections have prepared is of the columns as
     * they were, and would fail once others have their names: no node uses these connections any longer. To make them all anew
     * costs more than most changes do, so nothing else says so.
     */
    public void columnsGone() {
        catalogChanged();
        sql.execute("select pg_notify('pressboard_changes', {0})", DSL.val(ownColumns));
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                connectAnew();
            }
        });
    }

    private void connectAnew() {
        try {
            HikariPoolMXBean connections = pool.unwrap(HikariDataSource.class).getHikariPoolMXBean();
            if (connections != null) {
                connections.softEvictConnections();
            }
        } catch (SQLException none) {
            throw new IllegalStateException(none);
        }
    }

    /** Says, within a transaction, that it takes a table away with all its rows; told to all when it commits. */
    public void tableRemoved(TableKey table) {
        touch(ROWS + table.name(), "pressboard.all_lost()");
    }

    /**
     * Says, within a transaction, that it may have changed rows or accounts. The database tells all of each change by itself;
     * this node need not wait for that: whoever changed them may ask right away, and is to be answered by it.
     */
    public void changed() {
        numbering.atEnd(this::hear);
    }

    /** Has what the database checks at the end of a transaction checked now, so that what stands against it can be told. */
    public void checkNow() {
        numbering.check();
    }

    private void touch(String what, String lost) {
        sql.execute("select pressboard.touch({0}, " + lost + ")", DSL.val(what));
        changed();
    }

    /** Has whoever wants it told of each table whose rows have changed, on this or another node; they must not take long. */
    public void listen(Consumer<TableKey> listener) {
        listeners.add(listener);
    }

    /** Whoever has made a change hears of it twice, the second time nothing new. */
    private void hear(String what, Revision now) {
        boolean isNews = current.merge(what, now, (known, heard) -> heard.number() > known.number() ? heard : known) == now;
        if (isNews && what.startsWith(ROWS)) {
            listeners.forEach(listener -> listener.accept(new TableKey(what.substring(ROWS.length()))));
        }
    }

    /** Told is what has changed, its number, and how many of its rows were ever lost; or which node has taken columns away. */
    private void hear(String notification) {
        if (notification.startsWith(COLUMNS)) {
            // of its own columns it has heard when they were gone; to connect anew once more would help nobody
            if (!notification.equals(ownColumns)) {
                connectAnew();
            }
            return;
        }
        String[] words = notification.split(" ");
        int numbers = words.length - 2;
        hear(String.join(" ", List.of(words).subList(0, numbers)),
                new Revision(Long.parseLong(words[numbers]), Long.parseLong(words[numbers + 1])));
    }

    @Override
    public void start() {
        running = true;
        Thread.ofVirtual().name("change-feed").start(this::listenUntilStopped);
    }

    private void listenUntilStopped() {
        while (running) {
            try (Connection connection = reader.connect()) {
                listen(connection);
            } catch (SQLException lost) {
                if (running && hearing) {
                    LOG.warn("The connection that hears of changes is lost: {}", lost.getMessage());
                }
            } finally {
                hearing = false;
            }
            pause();
        }
    }

    private void listen(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("listen pressboard_changes");
        }
        // what has changed while nothing was heard
        RevisionReader.all(connection).forEach(this::hear);
        hearing = true;
        reader.close();
        PGConnection postgres = connection.unwrap(PGConnection.class);
        while (running) {
            for (PGNotification notification : postgres.getNotifications(WAIT_MILLIS)) {
                hear(notification.getParameter());
            }
        }
    }

    private void pause() {
        try {
            if (stopped.await(BEFORE_NEXT_TRY.toMillis(), TimeUnit.MILLISECONDS)) {
                running = false;
            }
        } catch (InterruptedException stop) {
            running = false;
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void stop() {
        running = false;
        hearing = false;
        stopped.countDown();
    }

    @Override
    public boolean isRunning() {
        return running;
    }
}
