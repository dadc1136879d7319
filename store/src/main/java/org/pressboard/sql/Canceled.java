package org.pressboard.sql;

import java.sql.SQLException;
import org.postgresql.util.PSQLState;
import org.springframework.core.NestedExceptionUtils;

/** Tells whether a statement was ended from outside: it took longer than it may, or somebody broke it off. */
public final class Canceled {

    private Canceled() {
    }

    public static boolean is(Exception failed) {
        return NestedExceptionUtils.getMostSpecificCause(failed) instanceof SQLException cause
                && PSQLState.QUERY_CANCELED.getState().equals(cause.getSQLState());
    }
}
