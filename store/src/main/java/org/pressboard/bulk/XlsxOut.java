package org.pressboard.bulk;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Locale;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Shown;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.Row;
import org.springframework.stereotype.Component;

/**
 * All rows of a row query as a workbook of one sheet (Office Open XML): a header that stays in sight, then the rows, each
 * value as what it is; see {@link AllRows}.
 */
@Component
public class XlsxOut {

    /** Rows that a sheet has room for under its header. */
    public static final int MOST_ROWS = 1_048_575;

    private static final int BATCH = 1_000;
    private static final int LONGEST_NAME = 31;

    /** The quickest; a better one makes files a twentieth smaller and takes twice as long. */
    private static final int COMPRESSION = 1;

    private final AllRows rows;

    XlsxOut(AllRows rows) {
        this.rows = rows;
    }

    /**
     * Reads them all; whoever takes them may take their time.
     *
     * @param looks how each column looks, as far as a spreadsheet can show it
     * @throws ProblemsFound            when there are more rows than a sheet has room for
     * @throws org.pressboard.turn.Busy when there is no turn to be had, or no room
     * @throws Carrying.Left            when nobody waits for them any more
     */
    public Spool read(RowQuery query, Locale language, List<Shown> looks, Carrying carrying) throws IOException {
        return rows.read(query, language, carrying, out -> new Sheet(query, looks, language, out));
    }

    private static final class Sheet implements AllRows.Writing {

        private final Workbook book;
        private final Worksheet sheet;
        private final XlsxCells cells;
        private int line;

        Sheet(RowQuery query, List<Shown> looks, Locale language, OutputStream out) throws IOException {
            book = new Workbook(out, "Pressboard", "1.0");
            book.setCompressionLevel(COMPRESSION);
            sheet = book.newWorksheet(name(query.table().label()));
            cells = new XlsxCells(query.table(), looks, language);
            for (int column = 0; column < looks.size(); column++) {
                Shown look = looks.get(column);
                sheet.inlineString(0, column, look.labelOf(query.table().field(look.field())));
                sheet.style(0, column).bold().set();
            }
            sheet.freezePane(0, 1);
        }

        @Override
        public void row(Row row) throws IOException {
            line++;
            if (line > MOST_ROWS) {
                throw ProblemsFound.of("take-away.too-many", MOST_ROWS);
            }
            cells.write(sheet, line, row);
            if (line % BATCH == 0) {
                sheet.flush();
            }
        }

        @Override
        public void close() throws IOException {
            book.close();
        }
    }

    /** Names of sheets are short, and some characters mean something in them. */
    private static String name(String label) {
        String name = label.replaceAll("[\\[\\]:*?/\\\\']", " ").strip();
        return name.isEmpty() ? "Rows" : name.substring(0, Math.min(LONGEST_NAME, name.length()));
    }
}
