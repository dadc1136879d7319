package org.pressboard.sheet.line;

import java.util.List;
import java.util.regex.Pattern;
import org.pressboard.value.SpreadsheetCells;
import org.unbescape.html.HtmlEscape;

/**
 * Rows as they are printed, in HTML that is also XML: a table whose headings are repeated on each page. What a spreadsheet
 * would take for a formula says how it is put into one.
 */
public final class PrintMarkup {

    /** What has no place where it could be broken. */
    private static final Pattern ENDLESS = Pattern.compile("\\S{25}");

    private final StringBuilder html = new StringBuilder();
    private final String pictures;

    private PrintMarkup(String pictures) {
        this.pictures = pictures;
    }

    /** @param pictures what the addresses of pictures begin with */
    public static String of(List<Heading> headings, List<Line> lines, String pictures) {
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

    private void row(Line line) {
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
        switch (cell.content()) {
            case Content.Picture picture -> picture(picture);
            case Content.Formatted text -> html.append(FormattedTexts.html(text.text()));
            case Content.Rating rating -> html.append(escaped(rating.text())).append(rating.text().isEmpty() ? "" : "/" + rating.most());
            case Content.Text text -> lines(text);
            case Content.YesNo yesNo -> lines(yesNo);
            case Content.Figures number -> lines(number);
            case Content.Time time -> lines(time);
            case Content.Lines several -> lines(several);
            case Content.Link link -> lines(link);
            case Content.Tags tags -> lines(tags);
        }
        html.append("</td>");
    }

    private void lines(Content content) {
        html.append(escaped(content.text()).replace("\n", "<br/>"));
    }

    private void picture(Content.Picture picture) {
        if (!picture.address().isEmpty()) {
            html.append("<img alt=\"").append(escaped(picture.text())).append("\" src=\"").append(escaped(pictures
                    + (pictures.isEmpty() ? picture.address() : picture.address().replaceFirst("\\?.*", "")))).append("\"/>");
        }
    }

    private static String escaped(String text) {
        // control characters cannot stand in XML
        return HtmlEscape.escapeHtml4Xml(text.replaceAll("[\\x00-\\x08\\x0b\\x0c\\x0e-\\x1f]", " "));
    }
}
