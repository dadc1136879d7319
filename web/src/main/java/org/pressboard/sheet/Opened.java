package org.pressboard.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.sheet.line.Cell;
import org.pressboard.sheet.line.CellMarkup;
import org.pressboard.table.TableKey;

/**
 * A row as it is read whole.
 *
 * @param title    what the row is called
 * @param pictures its pictures, the first of which is shown large
 * @param lines    everything else that is on it
 * @param how      where it is read when it is opened from its list, as scripts and styles know it
 * @param back     the address of the list as it was
 * @param previous the address of the row before it in the list; {@code null}: none is known
 * @param next     that of the row behind it
 * @param table    the table whose row it is
 * @param live     the listing whose changes the page hears of; {@code null}: it hears of none
 * @param state    the number of the state of the rows that it was drawn from, or of an earlier one
 * @param changes  what the visitor may do with it, and where
 * @param waits    whether nobody has approved it yet
 * @param values   for each of the lines, where its value is changed where it stands; empty: it is not
 */
public record Opened(String title, List<Picture> pictures, List<Cell> lines, String how, String back,
                     @Nullable String previous, @Nullable String next, TableKey table, @Nullable String live,
                     long state, List<Offered.Link> changes, boolean waits, List<String> values) {

    /** A picture: at its whole size, as large as there is room for, and small. */
    public record Picture(String whole, String large, String small) {
    }

    /** The lines as HTML, every text in it escaped. */
    public String linesMarkup() {
        StringBuilder html = new StringBuilder();
        CellMarkup cells = new CellMarkup(html);
        for (int i = 0; i < lines.size(); i++) {
            if (!(lines.get(i).isEmpty() && values.get(i).isEmpty())) {
                cells.line(lines.get(i), values.get(i));
            }
        }
        return html.toString();
    }
}
