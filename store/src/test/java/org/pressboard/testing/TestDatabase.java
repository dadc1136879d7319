package org.pressboard.testing;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;

/**
 * A database of its own on the server that {@code ./pressboard test} starts and names in the environment.
 *
 * @param url      its JDBC address
 * @param user     who owns it
 * @param password their password
 */
public record TestDatabase(String url, String user, String password) {

    public static TestDatabase create() {
        TestDatabase server = new TestDatabase(variable("PRESSBOARD_DB_URL"), variable("PRESSBOARD_DB_USER"),
                variable("PRESSBOARD_DB_PASSWORD"));
        String name = "test_" + UUID.randomUUID().toString().replace("-", "");
        server.execute("create database " + name);
        return new TestDatabase(server.url.replaceFirst("/[^/]*$", "/" + name), server.user, server.password);
    }

    private static String variable(String name) {
        return Objects.requireNonNull(System.getenv(name),
                () -> name + " is not set; run these tests with ./pressboard test");
    }

    /** The settings by which Spring finds it. */
    public Map<String, Object> properties() {
        return Map.of("PRESSBOARD_DB_URL", url, "PRESSBOARD_DB_USER", user, "PRESSBOARD_DB_PASSWORD", password);
    }

    public Connection connect() throws SQLException {
        return DriverManager.getConnection(url, user, password);
    }

    /** Executes a statement on a connection of its own, as any other tool of the owner's might. */
    public void execute(String sql) {
        try (Connection connection = connect(); Statement statement = connection.createStatement()) {
            statement.execute(sql);
        } catch (SQLException failed) {
            throw new IllegalStateException(failed);
        }
    }
}
