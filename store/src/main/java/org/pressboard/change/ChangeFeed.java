package org.pressboard.change;

import com.zaxxer.hikari.HikariDataSource;
import com.zaxxer.hikari.HikariPoolMXBean;
import java.sql.Connection;
import java.sql.DriverManager;
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
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.pressboard.table.TableKey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Numbers the states of the catalog and of each table's rows, so that what was worked out from one state can be kept
 * until the next. Hears of changes by a connection of its own; while that is lost, every number asked for is a new
 * one, and so nothing kept is taken for current.
 */
@Component
public class ChangeFeed implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(ChangeFeed.class);
    private static final String CATALOG = "catalog";
    private static final String COLUMNS = "columns ";
    private static final String ROWS = "rows ";
    private static final String ALL_LOST = " all";
    private static final Pattern COUNTED = Pattern.compile("\\d{1,18}");
    private static final int WAIT_MILLIS = 500;
    private static final Duration BEFORE_NEXT_TRY = Duration.ofMillis(500);

    private final JdbcConnectionDetails database;
    private final DataSource pool;
    private final DSLContext sql;
    private final String ownColumns = COLUMNS + UUID.randomUUID();
    private final AtomicLong numbers = new AtomicLong(System.currentTimeMillis() << 16);
    private final Map<String, Revision> current = new ConcurrentHashMap<>();
    private final CountDownLatch stopped = new CountDownLatch(1);
    private final List<Consumer<TableKey>> listeners = new CopyOnWriteArrayList<>();
    private volatile boolean hearing;
    private volatile boolean running;

    ChangeFeed(JdbcConnectionDetails database, DataSource pool, DSLContext sql) {
        this.database = database;
        this.pool = pool;
        this.sql = sql;
    }

    public long catalogRevision() {
        return revision(CATALOG).number();
    }

    public Revision rowsRevision(TableKey table) {
        return revision(ROWS + table.name());
    }

    private Revision revision(String of) {
        return hearing ? current.computeIfAbsent(of, key -> next()) : next();
    }

    private Revision next() {
        long number = numbers.incrementAndGet();
        return new Revision(number, number, 0);
    }

    /** Says, within a transaction, that it changes the catalog; told to all when it commits. */
    public void catalogChanged() {
        tell(CATALOG);
    }

    /**
     * Says, within a transaction, that columns are gone or of another kind. What connections have prepared is of the columns as
     * they were, and would fail once others have their names: no node uses these connections any longer. To make them all anew
     * costs more than most changes do, so nothing else says so.
     */
    public void columnsGone() {
        tell(ownColumns);
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
        tell(ROWS + table.name() + ALL_LOST);
    }

    /**
     * Says, within a transaction, that it may change rows of these tables. The database tells all of each change by
     * itself, and how much it lost; this node need not wait for that: whoever changed them may ask right away.
     */
    public void rowsChanged(Collection<TableKey> tables) {
        tables.forEach(table -> afterwards(ROWS + table.name() + " 0"));
    }

    /**
     * Says, within a transaction, that it changes accounts. The database tells all of that by itself; this node need not
     * wait for it: whoever sets their password asks for the next page right away, and is to be known by it.
     */
    public void accountsChanged() {
        afterwards(CATALOG);
    }

    /** Has whoever wants it told of each table whose rows have changed, on this or another node; they must not take long. */
    public void listen(Consumer<TableKey> listener) {
        listeners.add(listener);
    }

    private void tell(String change) {
        sql.execute("select pg_notify('pressboard_changes', {0})", DSL.val(change));
        afterwards(change);
    }

    private void afterwards(String change) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                hear(change);
            }
        });
    }

    /**
     * Told is {@code catalog}, {@code columns} and the node that changed them, which is the catalog, too, or {@code rows}, the
     * table, and how many of its rows were altered or removed.
     */
    private void hear(String change) {
        String[] words = change.split(" ");
        boolean isOfRows = change.startsWith(ROWS);
        String of = isOfRows ? ROWS + words[1] : CATALOG;
        if (words.length > 2 && COUNTED.matcher(words[2]).matches()) {
            long lost = Long.parseLong(words[2]);
            current.computeIfPresent(of, (key, before) -> before.after(numbers.incrementAndGet(), lost));
        } else {
            current.put(of, next());
        }
        if (change.startsWith(COLUMNS)) {
            connectAnew();
        }
        if (isOfRows) {
            listeners.forEach(listener -> listener.accept(new TableKey(words[1])));
        }
    }

    @Override
    public void start() {
        running = true;
        Thread.ofVirtual().name("change-feed").start(this::listenUntilStopped);
    }

    private void listenUntilStopped() {
        while (running) {
            try (Connection connection = DriverManager.getConnection(database.getJdbcUrl(), database.getUsername(),
                    database.getPassword())) {
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
        PGConnection postgres = connection.unwrap(PGConnection.class);
        current.clear();
        hearing = true;
        while (running) {
            for (PGNotification notification : postgres.getNotifications(WAIT_MILLIS)) {
                // of its own columns it has heard when they were gone; to connect anew once more would help nobody
                if (!notification.getParameter().equals(ownColumns)) {
                    hear(notification.getParameter());
                }
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
