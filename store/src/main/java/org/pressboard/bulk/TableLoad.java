package org.pressboard.bulk;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyIn;
import org.pressboard.catalog.Definitions;
import org.pressboard.intake.Outcome;
import org.pressboard.source.Hosted;
import org.pressboard.table.Table;

/**
 * Puts the rows of one intake into a table by COPY and keeps aside those that do not fit, all in the caller's
 * transaction and in constant memory. For one use.
 */
final class TableLoad {

    /** COPY has the connection to itself; between batches the rows kept aside are written. */
    private static final int BATCH = 20_000;

    /** Notes progress after each batch. */
    interface Progress {

        void told(long rowsRead, long rowsAside);
    }

    private final DSLContext sql;
    private final java.util.UUID intake;
    private final String copy;
    private final List<Outcome.KeptAside> aside = new ArrayList<>();
    private final CopyText text;
    private long rowsRead;
    private long rowsAside;

    TableLoad(DSLContext sql, Table table, java.util.UUID intake) {
        this.sql = sql;
        this.intake = intake;
        List<QueryPart> columns = new ArrayList<>();
        table.entered().forEach(field -> columns.add(DSL.name(field.key().name())));
        columns.add(Hosted.SEARCH_TEXT);
        this.text = new CopyText(table);
        this.copy = sql.render(DSL.query("copy {0} ({1}) from stdin", Hosted.name(table), DSL.list(columns)));
    }

    void load(Iterator<Outcome> outcomes, Progress progress) {
        while (outcomes.hasNext()) {
            sql.connection(connection -> copyBatch(connection, outcomes));
            keepAside();
            progress.told(rowsRead, rowsAside);
        }
    }

    long rowsLoaded() {
        return rowsRead - rowsAside;
    }

    long rowsAside() {
        return rowsAside;
    }

    private void copyBatch(Connection connection, Iterator<Outcome> outcomes) throws SQLException {
        CopyIn into = connection.unwrap(PGConnection.class).getCopyAPI().copyIn(copy);
        try {
            for (int i = 0; i < BATCH && outcomes.hasNext(); i++) {
                take(outcomes.next(), into);
            }
            into.writeToCopy(text.bytes(), 0, text.length());
            text.clear();
            into.endCopy();
        } finally {
            if (into.isActive()) {
                into.cancelCopy();
            }
        }
    }

    private void take(Outcome outcome, CopyIn into) throws SQLException {
        rowsRead++;
        switch (outcome) {
            case Outcome.KeptAside kept -> {
                rowsAside++;
                aside.add(kept);
            }
            case Outcome.Fits fits -> {
                text.row(fits.values());
                if (text.isFull()) {
                    into.writeToCopy(text.bytes(), 0, text.length());
                    text.clear();
                }
            }
        }
    }

    private void keepAside() {
        if (aside.isEmpty()) {
            return;
        }
        var insert = sql.batch(DSL.insertInto(DSL.table(DSL.name("pressboard", "kept_aside")),
                        DSL.field(DSL.name("intake_id"), java.util.UUID.class), DSL.field(DSL.name("line"), Long.class),
                        DSL.field(DSL.name("reasons"), JSONB.class), DSL.field(DSL.name("texts"), JSONB.class))
                .values((java.util.UUID) null, null, null, null));
        aside.forEach(kept -> insert.bind(intake, kept.line(), JSONB.valueOf(Definitions.write(kept.reasons())),
                JSONB.valueOf(Definitions.write(kept.texts()))));
        insert.execute();
        aside.clear();
    }
}
