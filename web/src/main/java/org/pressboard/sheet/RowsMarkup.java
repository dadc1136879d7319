package org.pressboard.sheet;

import java.util.List;
import java.util.function.LongFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.HtmlUtils;

/**
 * The rows of a sheet as lines of a table, in HTML. All that is written once on a page stands in the templates; what
 * is written once for each of hundreds of cells is written here, for a template takes some twenty times as long over
 * it. Every text and every address is escaped on its way.
 */
final class RowsMarkup {

    private static final int BYTES_OF_A_CELL = 120;
    private static final int LONGEST_CODE = 12;
    private static final int LONGEST_NUMBER = 24;

    private final StringBuilder html;

    private final Place place;
    private final Look look;

    private final @Nullable LongFunction<String> changes;

    private RowsMarkup(int cells, Place place, Look look, @Nullable LongFunction<String> changes) {
        this.changes = changes;
        this.place = place;
        this.look = look;
        this.html = new StringBuilder(cells * BYTES_OF_A_CELL);
    }

    /** @param changes the link by which a row is changed; {@code null}: none is */
    static String of(List<Sheet.Line> lines, Place place, Look look, @Nullable LongFunction<String> changes) {
        RowsMarkup markup = new RowsMarkup(lines.isEmpty() ? 0 : lines.size() * lines.getFirst().cells().size(), place, look,
                changes);
        lines.forEach(markup::row);
        return markup.html.toString();
    }

    private void row(Sheet.Line line) {
        html.append("<tr role=\"row\"");
        if (!line.mark().classes().isEmpty()) {
            html.append(" class=\"").append(line.mark().classes().strip()).append("\"");
        }
        html.append(">");
        if (!place.opening().isEmpty()) {
            html.append("<td role=\"cell\" class=\"pick\"><input type=\"checkbox\" name=\"row\" form=\"several\" value=\"")
                    .append(line.rowId()).append("\" aria-label=\"").append(HtmlUtils.htmlEscape(line.name()))
                    .append("\"></td>");
        }
        boolean hasButton = look.hasButton() && place.opening().isEmpty();
        line.cells().forEach(cell -> cell(cell, hasButton ? "" : line.opens(), line.mark().signs()));
        if (hasButton) {
            html.append("<td role=\"cell\" class=\"opener\">");
            new CellMarkup(html).button(line, look.opening().button());
            html.append("</td>");
        }
        if (changes != null) {
            html.append("<td role=\"cell\" class=\"opener\">").append(changes.apply(line.rowId())).append("</td>");
        }
        html.append("</tr>\n");
    }

    private void cell(Cell cell, String address, String signs) {
        html.append("<td role=\"cell\" class=\"").append(cell.kind()).append(modifier(cell))
                .append(cell.column()).append("\" data-label=\"").append(HtmlUtils.htmlEscape(cell.label())).append("\">");
        if (cell.naming()) {
            html.append(signs);
        }
        boolean opens = cell.naming() && !address.isEmpty();
        if (opens) {
            html.append("<a class=\"opens\" href=\"").append(HtmlUtils.htmlEscape(address)).append("\">");
        }
        if (cell.isEmpty()) {
            html.append(opens ? "…" : "<span aria-hidden=\"true\">–</span>");
        } else {
            new CellMarkup(html).write(cell);
        }
        html.append(opens ? "</a></td>" : "</td>");
    }

    /** Short texts such as codes are not broken at their hyphens; endless ones are broken anywhere. */
    private static String modifier(Cell cell) {
        String naming = cell.naming() ? " naming" : "";
        if (cell.isEmpty()) {
            return naming + " none";
        }
        if (cell.text().length() <= LONGEST_CODE) {
            return naming + " short";
        }
        return cell.text().length() > LONGEST_NUMBER ? naming + " endless" : naming;
    }
}
