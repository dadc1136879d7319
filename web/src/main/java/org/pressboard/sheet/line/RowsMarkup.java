package org.pressboard.sheet.line;

import java.util.List;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pressboard.stand.Addresses;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.unbescape.html.HtmlEscape;

/**
 * The rows of a sheet as lines of a table, in HTML. All that is written once on a page stands in the templates; what
 * is written once for each of hundreds of cells is written here, for a template takes some twenty times as long over
 * it. Every text and every address is escaped on its way; what few pages have besides Latin letters is written as its
 * entity, for it takes twice the room and time else.
 */
public final class RowsMarkup {

    private static final int LONGEST_CODE = 12;
    private static final int LONGEST_NUMBER = 24;

    private final StringBuilder html;

    private final Addresses addresses;
    private final Look look;

    private final Changes changes;

    /**
     * What of the rows is changed from where they stand.
     *
     * @param links  the links by which a row is; {@code null}: none is
     * @param fields the fields that the cells of a line are of
     * @param values the values that are changed where they stand
     * @param picks  the form that picked rows are sent by; empty: none are picked
     * @param picked those that can be picked; {@code null}: all
     */
    public record Changes(@Nullable Function<RowId, String> links, List<FieldKey> fields, InPlace values,
                   String picks, @Nullable Set<RowId> picked) {
    }

    private RowsMarkup(StringBuilder html, Addresses addresses, Look look, Changes changes) {
        this.changes = changes;
        this.addresses = addresses;
        this.look = look;
        this.html = html;
    }

    public static void draw(StringBuilder html, List<Line> lines, Addresses addresses, Look look, Changes changes) {
        lines.forEach(new RowsMarkup(html, addresses, look, changes)::row);
    }

    private void row(Line line) {
        html.append("<tr role=\"row\"");
        if (!line.mark().classes().isEmpty()) {
            html.append(" class=\"").append(line.mark().classes().strip()).append("\"");
        }
        html.append(">");
        if (!changes.picks.isEmpty()) {
            html.append("<td role=\"cell\" class=\"pick\">").append(pick(line)).append("</td>");
        }
        boolean hasButton = look.hasButton() && addresses.opening().isEmpty();
        for (int i = 0; i < line.cells().size(); i++) {
            Cell cell = line.cells().get(i);
            cell(cell, hasButton ? "" : line.opens(), line.mark().signs(),
                    changes.values.address(addresses, line.rowId(), changes.fields.get(i)));
        }
        if (hasButton) {
            html.append("<td role=\"cell\" class=\"opener\">");
            new CellMarkup(html).button(line, look.opening().button());
            html.append("</td>");
        }
        if (changes.links != null) {
            html.append("<td role=\"cell\" class=\"opener\">").append(changes.links.apply(line.rowId())).append("</td>");
        }
        html.append("</tr>\n");
    }

    private String pick(Line line) {
        return changes.picked != null && !changes.picked.contains(line.rowId()) ? ""
                : "<input type=\"checkbox\" name=\"row\" form=\"" + changes.picks + "\" value=\"" + line.rowId()
                        + "\" aria-label=\"" + HtmlEscape.escapeHtml4Xml(line.name()) + "\">";
    }

    /** @param value where the value is changed; empty: it is not, from here */
    private void cell(Cell cell, String address, String signs, String value) {
        html.append("<td role=\"cell\" class=\"").append(cell.kind()).append(modifier(cell))
                .append(cell.column()).append("\" data-label=\"").append(HtmlEscape.escapeHtml4Xml(cell.label())).append("\">");
        if (cell.naming()) {
            html.append(signs);
        }
        boolean opens = cell.naming() && !address.isEmpty();
        if (opens) {
            html.append("<a class=\"opens\" href=\"").append(HtmlEscape.escapeHtml4Xml(address)).append("\">");
        }
        if (cell.isEmpty()) {
            html.append(opens ? "&hellip;" : "<span aria-hidden=\"true\">&ndash;</span>");
        } else {
            new CellMarkup(html).write(cell);
        }
        html.append(opens ? "</a>" : "");
        new CellMarkup(html).value(cell, value);
        html.append("</td>");
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
