package org.pressboard.sheet;

import java.util.List;
import org.springframework.web.util.HtmlUtils;

/**
 * The rows of a sheet as HTML. All that is written once on a page stands in the templates; what is written once for
 * each of hundreds of cells is written here, for a template takes some twenty times as long over it. Every text and
 * every address is escaped on its way.
 */
final class RowsMarkup {

    private static final int BYTES_OF_A_CELL = 120;
    private static final int LONGEST_CODE = 12;
    private static final int LONGEST_NUMBER = 24;

    private final StringBuilder html;

    private RowsMarkup(int cells) {
        this.html = new StringBuilder(cells * BYTES_OF_A_CELL);
    }

    static String of(List<Sheet.Line> lines) {
        RowsMarkup markup = new RowsMarkup(lines.isEmpty() ? 0 : lines.size() * lines.getFirst().cells().size());
        lines.forEach(markup::row);
        return markup.html.toString();
    }

    private void row(Sheet.Line line) {
        html.append("<tr role=\"row\">");
        line.cells().forEach(this::cell);
        html.append("</tr>\n");
    }

    private void cell(Cell cell) {
        html.append("<td role=\"cell\" class=\"").append(cell.kind()).append(modifier(cell))
                .append("\" data-label=\"").append(HtmlUtils.htmlEscape(cell.label())).append("\">");
        if (cell.isEmpty()) {
            html.append("<span aria-hidden=\"true\">–</span>");
        } else {
            content(cell.kind(), HtmlUtils.htmlEscape(cell.text()), HtmlUtils.htmlEscape(cell.href()));
        }
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

    private void content(String kind, String text, String href) {
        switch (kind) {
            case "link" -> html.append("<a href=\"").append(href).append("\" rel=\"noopener nofollow ugc\">")
                    .append(text).append("</a>");
            case "picture" -> html.append("<img src=\"").append(href).append("\" alt=\"").append(text)
                    .append("\" width=\"56\" height=\"56\" loading=\"lazy\">");
            case "long" -> html.append("<span class=\"clamp\">").append(text).append("</span>");
            case "tag" -> html.append("<span class=\"tag\">").append(text).append("</span>");
            default -> html.append(text);
        }
    }
}
