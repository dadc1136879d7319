package org.pressboard.wiring;

import java.sql.SQLException;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says at the start what is wrong with a database that cannot be reached, entered or written to. */
class DatabaseUnusable extends AbstractFailureAnalyzer<SQLException> {

    @Override
    protected @Nullable FailureAnalysis analyze(Throwable rootFailure, SQLException cause) {
        String action = action(String.valueOf(cause.getSQLState()));
        return action == null ? null
                : new FailureAnalysis("The database cannot be used: " + cause.getMessage(), action, cause);
    }

    /** By PostgreSQL's SQL states: connection, authorization, unknown database, insufficient privilege. */
    private static @Nullable String action(String state) {
        if (state.startsWith("08")) {
            return "Check PRESSBOARD_DB_URL, and that PostgreSQL runs there.";
        }
        if (state.startsWith("28")) {
            return "Check PRESSBOARD_DB_USER and PRESSBOARD_DB_PASSWORD.";
        }
        if (state.equals("3D000")) {
            return "Make the database, or check PRESSBOARD_DB_URL.";
        }
        return state.equals("42501")
                ? "The user of PRESSBOARD_DB_USER must own the database; and an administrator runs once: "
                        + "create role pressboard_visitor nologin; grant pressboard_visitor to that user." : null;
    }
}
