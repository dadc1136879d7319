package org.pressboard.bench;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import javax.sql.DataSource;
import org.pressboard.bench.SentStatements.Statement;

/** The reference of reading: the same statements, sent by hand, and every value of the answers looked at. */
record PlainJdbc(DataSource database) {

    void send(List<Statement> statements) throws SQLException {
        try (Connection connection = database.getConnection()) {
            connection.setReadOnly(true);
            for (Statement statement : statements) {
                if (statement.sql().startsWith("set local statement_timeout")) {
                    connection.commit(); // each count is a transaction of its own
                }
                execute(connection, statement);
            }
            connection.commit();
            connection.setReadOnly(false);
        }
    }

    private static void execute(Connection connection, Statement statement) throws SQLException {
        try (PreparedStatement prepared = connection.prepareStatement(statement.sql())) {
            for (int i = 0; i < statement.values().size(); i++) {
                Object value = statement.values().get(i);
                prepared.setObject(i + 1, value instanceof Long[] numbers
                        ? connection.createArrayOf("bigint", numbers) : value);
            }
            if (prepared.execute()) {
                readAll(prepared.getResultSet());
            }
        } catch (SQLException failed) {
            if (!"57014".equals(failed.getSQLState())) {
                throw failed;
            }
            connection.rollback(); // a count that took too long is given up, as ours is
        }
    }

    private static void readAll(ResultSet result) throws SQLException {
        int columns = result.getMetaData().getColumnCount();
        List<Object> read = new ArrayList<>();
        while (result.next()) {
            for (int i = 1; i <= columns; i++) {
                read.add(result.getObject(i));
            }
        }
    }
}
