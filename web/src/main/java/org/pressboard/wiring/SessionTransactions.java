package org.pressboard.wiring;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.function.Supplier;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.datasource.ConnectionHolder;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.transaction.support.SimpleTransactionStatus;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The transactions in which sessions are kept. To read one takes a single statement, which is a transaction by itself:
 * with each request that leaves out a way to the database and back, only to end what has changed nothing.
 */
final class SessionTransactions {

    private final DataSource database;
    private final TransactionOperations apart;
    private final ThreadLocal<Boolean> isReading = ThreadLocal.withInitial(() -> false);

    /** @param apart for all but reading */
    SessionTransactions(DataSource database, TransactionOperations apart) {
        this.database = database;
        this.apart = apart;
    }

    /** Does that with single statements that are transactions by themselves, where no other is going on. */
    <T> @Nullable T reading(Supplier<@Nullable T> work) {
        if (TransactionSynchronizationManager.hasResource(database)) {
            return work.get();
        }
        isReading.set(true);
        try {
            return work.get();
        } finally {
            isReading.remove();
        }
    }

    /** By which sessions are kept. */
    TransactionOperations operations() {
        return new TransactionOperations() {
            @Override
            public <T extends @Nullable Object> T execute(TransactionCallback<T> action) {
                return isReading.get() ? alone(action) : apart.execute(action);
            }
        };
    }

    private <T extends @Nullable Object> T alone(TransactionCallback<T> action) {
        Connection connection = DataSourceUtils.getConnection(database);
        try {
            connection.setAutoCommit(true);
            TransactionSynchronizationManager.bindResource(database, new ConnectionHolder(connection));
            try {
                return action.doInTransaction(new SimpleTransactionStatus(false));
            } finally {
                TransactionSynchronizationManager.unbindResource(database);
            }
        } catch (SQLException away) {
            throw new DataAccessResourceFailureException("The session cannot be read", away);
        } finally {
            DataSourceUtils.releaseConnection(connection, database);
        }
    }
}
