package org.pressboard.change;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.Properties;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;
import org.springframework.stereotype.Component;

/** Asks the database for the numbers of states, by one connection besides those that requests use, while nothing is heard. */
@Component
class RevisionReader {

    private static final Logger LOG = LoggerFactory.getLogger(RevisionReader.class);
    private static final long BEFORE_NEXT_TRY = Duration.ofMillis(500).toNanos();
    private static final String LONGEST_SECONDS = "5";

    private final JdbcConnectionDetails database;
    private final AtomicLong unique = new AtomicLong();
    private @Nullable Connection connection;
    private long failedAt = System.nanoTime() - BEFORE_NEXT_TRY;

    RevisionReader(JdbcConnectionDetails database) {
        this.database = database;
    }

    /** A connection of its own. */
    Connection connect() throws SQLException {
        return DriverManager.getConnection(database.getJdbcUrl(), database.getUsername(), database.getPassword());
    }

    /** One that is given up soon where nobody answers. */
    private Connection connectSoon() throws SQLException {
        Properties settings = new Properties();
        settings.setProperty("user", String.valueOf(database.getUsername()));
        settings.setProperty("password", String.valueOf(database.getPassword()));
        settings.setProperty("connectTimeout", LONGEST_SECONDS);
        settings.setProperty("socketTimeout", LONGEST_SECONDS);
        return DriverManager.getConnection(database.getJdbcUrl(), settings);
    }

    /** All numbers that were ever given out. */
    static Map<String, Revision> all(Connection connection) throws SQLException {
        Map<String, Revision> all = new HashMap<>();
        try (Statement statement = connection.createStatement();
             ResultSet found = statement.executeQuery("select what, number, lost from pressboard.revision")) {
            while (found.next()) {
                all.put(found.getString(1), new Revision(found.getLong(2), found.getLong(3)));
            }
        }
        return all;
    }

    /** The state now; one that is like no other where the database does not answer. */
    synchronized Revision read(String what) {
        if (System.nanoTime() - failedAt < BEFORE_NEXT_TRY) {
            return Revision.notKnown(unique.incrementAndGet());
        }
        try {
            if (connection == null) {
                connection = connectSoon();
            }
            return read(connection, what);
        } catch (SQLException away) {
            failedAt = System.nanoTime();
            close();
            return Revision.notKnown(unique.incrementAndGet());
        }
    }

    private static Revision read(Connection connection, String what) throws SQLException {
        try (PreparedStatement statement = connection.prepareStatement("select number, lost from pressboard.revision where what = ?")) {
            statement.setString(1, what);
            try (ResultSet found = statement.executeQuery()) {
                return found.next() ? new Revision(found.getLong(1), found.getLong(2)) : Revision.FIRST;
            }
        }
    }

    /** Once there is no need to ask. */
    synchronized void close() {
        Connection done = connection;
        connection = null;
        try {
            if (done != null) {
                done.close();
            }
        } catch (SQLException gone) {
            LOG.debug("The connection was gone already: {}", gone.getMessage());
        }
    }
}
