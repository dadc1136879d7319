package org.pressboard.sql;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import org.jspecify.annotations.Nullable;

/** Tells whether the database could not be reached, or hung up. */
public final class Away {

    private Away() {
    }

    public static boolean is(@Nullable Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLTransientConnectionException || cause instanceof SQLNonTransientConnectionException
                    || (cause instanceof SQLException sql && isConnectionLost(sql))) {
                return true;
            }
        }
        return false;
    }

    /**
     * Class 08 is "connection exception" (ISO/IEC 9075-2); 57P01 to 57P03 are PostgreSQL's shutting down. When rolling
     * back fails as well, all that is left of it is the pool's own exception, which has no state.
     */
    private static boolean isConnectionLost(SQLException failed) {
        String state = failed.getSQLState();
        return state == null ? "Connection is closed".equals(failed.getMessage())
                : state.startsWith("08") || state.startsWith("57P0");
    }
}
