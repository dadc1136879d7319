package org.pressboard.bulk;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.Locale;
import org.jooq.Cursor;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Picking;
import org.pressboard.rows.Turns;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.TableSql;
import org.pressboard.value.Row;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * All rows of a row query, whatever its page, in their order and in constant memory, written as somebody wants them. Under
 * the visitor's row security with the whole condition.
 */
@Component
public class AllRows {

    private static final String LONGEST = "10min";
    private static final int AT_ONCE = 2;
    private static final int BATCH = 1_000;

    private final DSLContext sql;
    private final VisitorScope scope;
    private final TransactionTemplate reading;
    private final Scratch scratch;
    private final Turns turns = new Turns(AT_ONCE);

    AllRows(DSLContext sql, VisitorScope scope, Scratch scratch, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.scope = scope;
        this.scratch = scratch;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /** Rows on their way out; closed behind the last. */
    public interface Form extends AutoCloseable {

        void row(Row row) throws IOException;

        @Override
        void close() throws IOException;
    }

    /** Begins a form. */
    public interface Beginning {

        Form onto(OutputStream out) throws IOException;
    }

    /**
     * Reads them all; whoever takes them may take their time.
     *
     * @throws org.pressboard.rows.Busy when there is no turn to be had, or no room
     * @throws Carrying.Left            when nobody waits for them any more
     */
    public Spool read(RowQuery query, Locale language, Carrying carrying, Beginning beginning) throws IOException {
        try {
            return Spool.written(scratch, turns, spool -> write(query, language, carrying, beginning, spool));
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        } finally {
            carrying.end();
        }
    }

    private void write(RowQuery query, Locale language, Carrying carrying, Beginning beginning, OutputStream out) {
        reading.executeWithoutResult(status -> {
            sql.execute("set local statement_timeout = {0}", DSL.inline(LONGEST));
            scope.enter(query.visitor(), query.standpoint());
            TableSql table = TableSql.of(query, language);
            Picking picking = Picking.whole(table, query.show());
            try (Form form = beginning.onto(out); Cursor<? extends Record> rows = sql.select(picking.columns())
                    .from(table.asTable()).where(table.condition(query.condition()))
                    .orderBy(table.order(query.order(), query.isLastDescending())).fetchSize(BATCH).fetchLazy();
                    Handing handing = new Handing(form)) {
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
