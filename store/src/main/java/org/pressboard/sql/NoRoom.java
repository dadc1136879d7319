package org.pressboard.sql;

import java.sql.SQLException;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Tells whether the database, or this machine, had no room left on its disk for what was to be written. */
public final class NoRoom {

    /** "disk_full" of PostgreSQL, and its class "system error" when writing fails. */
    private static final Set<String> STATES = Set.of("53100", "58030");

    private NoRoom() {
    }

    public static boolean is(@Nullable Throwable failed) {
        for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
            boolean isFull = cause instanceof SQLException sql ? STATES.contains(String.valueOf(sql.getSQLState()))
                    : cause instanceof java.io.IOException && String.valueOf(cause.getMessage()).contains("No space left on device");
            if (isFull) {
                return true;
            }
        }
        return false;
    }
}
