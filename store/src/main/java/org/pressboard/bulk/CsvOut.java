package org.pressboard.bulk;

import static java.nio.charset.StandardCharsets.UTF_8;

import de.siegmar.fastcsv.writer.CsvWriter;
import de.siegmar.fastcsv.writer.LineDelimiter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Query;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import org.postgresql.copy.CopyOut;
import org.pressboard.listing.RowQuery;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.sql.Canceled;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.springframework.stereotype.Component;

/**
 * All rows of a row query, whatever its page, as CSV (RFC 4180) in constant memory: the labels of the shown fields,
 * then the rows in their order, values in their plain form. Under the visitor's row security with the whole condition.
 *
 * <p>PostgreSQL writes the records, by COPY; made here of values, a million of them would take more than twice as long.
 */
@Component
public class CsvOut {

    private static final byte[] LINE_END = "\r\n".getBytes(UTF_8);

    private final DSLContext sql;
    private final TakenAway takenAway;

    CsvOut(DSLContext sql, TakenAway takenAway) {
        this.sql = sql;
        this.takenAway = takenAway;
    }

    /**
     * Reads them all, as fast as the database gives them; whoever takes them may take their time.
     *
     * @param cells whether texts that a spreadsheet would take for formulas are made harmless
     * @throws org.pressboard.turn.Busy when there is no turn to be had, or no room
     * @throws Carrying.Left            when nobody waits for them any more
     */
    public Spool read(RowQuery query, Locale language, SpreadsheetCells cells, Carrying carrying) throws IOException {
        return takenAway.spooled(carrying, spool -> write(query, language, cells, carrying, spool));
    }

    /** @throws UncheckedIOException when they cannot be written there */
    void write(RowQuery query, Locale language, SpreadsheetCells cells, Carrying carrying, OutputStream out) {
        takenAway.read(query, () -> {
            String copy = BoundBySettings.render(sql, copy(query, TableSql.underLock(query, language), cells));
            sql.connection(connection -> copy(connection, copy, header(query, cells), carrying, out));
        });
    }

    private static byte[] header(RowQuery query, SpreadsheetCells cells) {
        StringWriter line = new StringWriter();
        CsvWriter.builder().lineDelimiter(LineDelimiter.CRLF).bufferSize(0).build(line)
                .writeRecord(query.show().stream().map(field -> cells.write(query.table().field(field).label()))
                        .toList());
        return line.toString().getBytes(UTF_8);
    }

    private static Query copy(RowQuery query, TableSql table, SpreadsheetCells cells) {
        List<Field<?>> columns = query.show().stream().<Field<?>>map(field ->
                ValueSql.cell(table.shown(field), query.table().field(field).type(), cells)).toList();
        // of no columns at all jOOQ would select every one there is
        return DSL.query("copy ({0}) to stdout (format csv)", DSL.select(columns.isEmpty() ? List.of(DSL.inline("")) : columns)
                .from(table.asTable())
                .where(table.condition(query.condition()))
                .orderBy(table.order(query.order(), query.isLastDescending())));
    }

    private static void copy(Connection connection, String copy, byte[] header, Carrying carrying, OutputStream out)
            throws SQLException {
        PGConnection postgres = connection.unwrap(PGConnection.class);
        CopyOut rows = postgres.getCopyAPI().copyOut(copy);
        try {
            out.write(header);
            for (byte[] record = rows.readFromCopy(); record != null; record = rows.readFromCopy()) {
                carrying.row();
                // each comes with a mere line feed at its end
                out.write(record, 0, record.length - 1);
                out.write(LINE_END);
            }
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } finally {
            if (rows.isActive()) {
                abandon(postgres, rows);
            }
        }
    }

    /** What is on its way already must be taken; the driver's own way to cancel leaves it to the next statement. */
    private static void abandon(PGConnection postgres, CopyOut rows) throws SQLException {
        postgres.cancelQuery();
        try {
            while (rows.readFromCopy() != null) {
                continue;
            }
        } catch (SQLException failed) {
            if (!Canceled.is(failed)) {
                throw failed;
            }
        }
    }
}
