package org.pressboard.bulk;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import org.jooq.Cursor;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Picking;
import org.pressboard.sql.TableSql;
import org.pressboard.value.Row;
import org.springframework.stereotype.Component;

/**
 * All rows of a row query, whatever its page, in their order and in constant memory, written as somebody wants them. Under
 * the visitor's row security with the whole condition.
 */
@Component
public class AllRows {

    private static final int BATCH = 1_000;

    private final DSLContext sql;
    private final TakenAway takenAway;

    AllRows(DSLContext sql, TakenAway takenAway) {
        this.sql = sql;
        this.takenAway = takenAway;
    }

    /** Rows on their way out; closed behind the last. */
    public interface Writing extends AutoCloseable {

        void row(Row row) throws IOException;

        @Override
        void close() throws IOException;
    }

    /** Begins a form. */
    public interface Beginning {

        Writing onto(OutputStream out) throws IOException;
    }

    /**
     * Reads them all; whoever takes them may take their time.
     *
     * @throws org.pressboard.turn.Busy when there is no turn to be had, or no room
     * @throws Carrying.Left            when nobody waits for them any more
     */
    public Spool read(RowQuery query, Locale language, Carrying carrying, Beginning beginning) throws IOException {
        return takenAway.spooled(carrying, spool -> write(query, language, carrying, beginning, spool));
    }

    private void write(RowQuery query, Locale language, Carrying carrying, Beginning beginning, OutputStream out) {
        takenAway.read(query, () -> {
            TableSql table = TableSql.underLock(query, language);
            Picking picking = Picking.whole(table, query.show());
            try (Writing form = beginning.onto(out); Cursor<? extends Record> rows = sql.select(picking.columns())
                    .from(table.asTable()).where(table.condition(query.condition()))
                    .orderBy(table.order(query.order(), query.isLastDescending())).fetchSize(BATCH).fetchLazy();
                    RowWriter handing = new RowWriter(form)) {
                for (Record row : rows) {
                    carrying.row();
                    handing.give(picking.row(row));
                }
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        });
    }
}
