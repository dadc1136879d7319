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

    private final Place place;
    private final String query;

    private RowsMarkup(int cells, Place place, String query) {
        this.place = place;
        this.query = HtmlUtils.htmlEscape(query);
        this.html = new StringBuilder(cells * BYTES_OF_A_CELL);
    }

    static String of(List<Sheet.Line> lines, Place place, String query) {
        RowsMarkup markup = new RowsMarkup(lines.isEmpty() ? 0 : lines.size() * lines.getFirst().cells().size(), place, query);
        lines.forEach(markup::row);
        return markup.html.toString();
    }

    private void row(Sheet.Line line) {
        html.append("<tr role=\"row\">");
        if (!place.opening().isEmpty()) {
            html.append("<td role=\"cell\" class=\"pick\"><input type=\"checkbox\" name=\"row\" form=\"several\" value=\"")
                    .append(line.rowId()).append("\" aria-label=\"").append(HtmlUtils.htmlEscape(line.name()))
                    .append("\"></td>");
        }
        line.cells().forEach(cell -> cell(cell, line.rowId()));
        html.append("</tr>\n");
    }

    private void cell(Cell cell, long row) {
        html.append("<td role=\"cell\" class=\"").append(cell.kind()).append(modifier(cell))
                .append("\" data-label=\"").append(HtmlUtils.htmlEscape(cell.label())).append("\">");
        boolean opens = cell.naming() && !place.opening().isEmpty();
        if (opens) {
            html.append("<a class=\"opens\" href=\"").append(place.opening()).append(row).append(query).append("\">");
        }
        if (cell.isEmpty()) {
            html.append(opens ? "…" : "<span aria-hidden=\"true\">–</span>");
        } else {
            content(cell, HtmlUtils.htmlEscape(cell.text()), HtmlUtils.htmlEscape(cell.href()));
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

    private void tag(Cell.Tag tag) {
        html.append("<span class=\"tag tag-").append(tag.colour()).append("\">")
                .append(HtmlUtils.htmlEscape(tag.text())).append("</span> ");
    }

    /** As many marks as it has, and as many empty ones as it lacks; read out as the number. */
    private void rating(String marks, String outOf) {
        int full = Integer.parseInt(marks);
        int most = Integer.parseInt(outOf.substring(1));
        html.append("<span role=\"img\" aria-label=\"").append(marks).append(HtmlUtils.htmlEscape(outOf))
                .append("\">").append("●".repeat(full)).append("○".repeat(Math.max(0, most - full))).append("</span>");
    }

    private void content(Cell cell, String text, String href) {
        switch (cell.kind()) {
            case "link" -> html.append("<a href=\"").append(href).append("\" rel=\"noopener nofollow ugc\">")
                    .append(text).append("</a>");
            case "picture" -> {
                html.append("<img src=\"").append(href).append("\" alt=\"").append(text)
                        .append("\" width=\"56\" height=\"56\" loading=\"lazy\">");
                cell.tags().forEach(this::tag);
            }
            case "long" -> html.append("<span class=\"clamp\">").append(text).append("</span>");
            case "tag" -> cell.tags().forEach(this::tag);
            case "rating" -> rating(cell.text(), cell.href());
            case "formatted" -> html.append("<div class=\"clamp formatted\">")
                    .append(FormattedTexts.html(cell.text())).append("</div>");
            default -> html.append(text);
        }
    }
}
