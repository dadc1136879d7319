package org.pressboard.sheet;

import java.util.List;
import java.util.regex.Pattern;
import org.pressboard.value.SpreadsheetCells;
import org.unbescape.html.HtmlEscape;

/**
 * Rows as they are printed, in HTML that is also XML: a table whose headings are repeated on each page. What a spreadsheet
 * would take for a formula says how it is put into one.
 */
final class PrintMarkup {

    /** What has no place where it could be broken. */
    private static final Pattern ENDLESS = Pattern.compile("\\S{25}");

    private final StringBuilder html = new StringBuilder();
    private final String pictures;

    private PrintMarkup(String pictures) {
        this.pictures = pictures;
    }

    /** @param pictures what the addresses of pictures begin with */
    static String of(List<Heading> headings, List<Sheet.Line> lines, String pictures) {
        PrintMarkup markup = new PrintMarkup(pictures);
        markup.html.append("<table class=\"print-rows\"><thead><tr>");
        headings.forEach(markup::heading);
        markup.html.append("</tr></thead><tbody>");
        lines.forEach(markup::row);
        return markup.html.append("</tbody></table>").toString();
    }

    private void heading(Heading heading) {
        html.append(heading.number() ? "<th class=\"number\">" : "<th>").append(escaped(heading.label())).append("</th>");
    }

    private void row(Sheet.Line line) {
        html.append("<tr class=\"").append(line.mark().classes().strip()).append("\">");
        line.cells().forEach(this::cell);
        html.append("</tr>\n");
    }

    private void cell(Cell cell) {
        String harmless = SpreadsheetCells.HARMLESS.write(cell.text());
        html.append("<td class=\"").append(cell.kind()).append(ENDLESS.matcher(cell.text()).find() ? " endless\"" : "\"");
        if (!harmless.equals(cell.text())) {
            html.append(" data-cell=\"").append(escaped(harmless)).append('"');
        }
        html.append('>');
        switch (cell.kind()) {
            case "picture" -> picture(cell);
            case "formatted", "formatted whole" -> html.append(FormattedTexts.html(cell.text()));
            case "rating" -> html.append(escaped(cell.text())).append(escaped(cell.href()));
            default -> html.append(escaped(cell.text()).replace("\n", "<br/>"));
        }
        html.append("</td>");
    }

    private void picture(Cell cell) {
        if (!cell.href().isEmpty()) {
            html.append("<img alt=\"").append(escaped(cell.text())).append("\" src=\"").append(escaped(pictures
                    + (pictures.isEmpty() ? cell.href() : cell.href().replaceFirst("\\?.*", "")))).append("\"/>");
        }
    }

    private static String escaped(String text) {
        // control characters cannot stand in XML
        return HtmlEscape.escapeHtml4Xml(text.replaceAll("[\\x00-\\x08\\x0b\\x0c\\x0e-\\x1f]", " "));
    }
}
