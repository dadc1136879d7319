package org.pressboard.bulk;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Locale;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.jooq.Cursor;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.pressboard.listing.RowQuery;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Picking;
import org.pressboard.rows.Turns;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.TableSql;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * All rows of a row query, whatever its page, as a workbook of one sheet (Office Open XML) in constant memory: a header
 * that stays in sight, then the rows in their order, each value as what it is. Under the visitor's row security with the
 * whole condition.
 */
@Component
public class XlsxOut {

    /** Rows that a sheet has room for under its header. */
    public static final int MOST_ROWS = 1_048_575;

    private static final String LONGEST = "10min";
    private static final int AT_ONCE = 2;
    private static final int BATCH = 1_000;
    private static final int LONGEST_NAME = 31;

    private final DSLContext sql;
    private final VisitorScope scope;
    private final TransactionTemplate reading;
    private final Scratch scratch;
    private final Turns turns = new Turns(AT_ONCE);

    XlsxOut(DSLContext sql, VisitorScope scope, Scratch scratch, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.scope = scope;
        this.scratch = scratch;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /**
     * Reads them all; whoever takes them may take their time.
     *
     * @param labels what stands over each column
     * @throws ProblemsFound when there are more rows than a sheet has room for
     * @throws org.pressboard.rows.Busy when there is no turn to be had, or no room
     */
    public Spool read(RowQuery query, Locale language, List<String> labels) throws IOException {
        try {
            return Spool.written(scratch, turns, spool -> write(query, language, labels, spool));
        } catch (UncheckedIOException failed) {
            throw failed.getCause();
        }
    }

    private void write(RowQuery query, Locale language, List<String> labels, OutputStream out) {
        reading.executeWithoutResult(status -> {
            sql.execute("set local statement_timeout = {0}", DSL.inline(LONGEST));
            scope.enter(query.visitor(), query.standpoint());
            TableSql table = TableSql.of(query, language);
            Picking picking = Picking.whole(table, query.show());
            try (Workbook book = new Workbook(out, "Pressboard", "1.0"); Cursor<? extends Record> rows = sql
                    .select(picking.columns()).from(table.asTable()).where(table.condition(query.condition()))
                    .orderBy(table.order(query.order(), query.isLastDescending())).limit(MOST_ROWS + 1)
                    .fetchSize(BATCH).fetchLazy()) {
                write(query, labels, picking, rows, book.newWorksheet(name(query.table().label())));
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        });
    }

    private static void write(RowQuery query, List<String> labels, Picking picking, Cursor<? extends Record> rows,
            Worksheet sheet) throws IOException {
        for (int column = 0; column < labels.size(); column++) {
            sheet.inlineString(0, column, labels.get(column));
            sheet.style(0, column).bold().set();
        }
        sheet.freezePane(0, 1);
        XlsxCells cells = new XlsxCells(query.table(), query.show());
        int line = 0;
        for (Record row : rows) {
            line++;
            if (line > MOST_ROWS) {
                throw ProblemsFound.of("take-away.too-many", MOST_ROWS);
            }
            cells.write(sheet, line, picking.row(row));
            if (line % BATCH == 0) {
                sheet.flush();
            }
        }
    }

    /** Names of sheets are short, and some characters mean something in them. */
    private static String name(String label) {
        String name = label.replaceAll("[\\[\\]:*?/\\\\']", " ").strip();
        return name.isEmpty() ? "Rows" : name.substring(0, Math.min(LONGEST_NAME, name.length()));
    }
}
