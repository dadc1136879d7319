package org.pressboard.sheet;

import org.unbescape.html.HtmlEscape;

/** What stands in one cell, or on one line of a card, as HTML; see {@link RowsMarkup}. */
final class CellMarkup {

    private final StringBuilder html;

    CellMarkup(StringBuilder html) {
        this.html = html;
    }

    /** A button by which a row is opened; none where it is not. */
    void button(Sheet.Line line, String words) {
        if (!line.opens().isEmpty()) {
            html.append("<a class=\"button button-small opens\" href=\"").append(HtmlEscape.escapeHtml4Xml(line.opens()))
                    .append("\">").append(HtmlEscape.escapeHtml4Xml(words)).append("<span class=\"sr-only\"> ")
                    .append(HtmlEscape.escapeHtml4Xml(line.name())).append("</span></a>");
        }
    }

    private void tag(Cell.Tag tag) {
        html.append("<span class=\"tag tag-").append(tag.colour()).append("\">")
                .append(HtmlEscape.escapeHtml4Xml(tag.text())).append("</span> ");
    }

    /** As many marks as it has, and as many empty ones as it lacks; read out as the number. */
    private void rating(String marks, String outOf) {
        int full = Integer.parseInt(marks);
        int most = Integer.parseInt(outOf.substring(1));
        html.append("<span role=\"img\" aria-label=\"").append(marks).append(HtmlEscape.escapeHtml4Xml(outOf))
                .append("\">").append("&#9679;".repeat(full)).append("&#9675;".repeat(Math.max(0, most - full))).append("</span>");
    }

    void write(Cell cell) {
        String text = HtmlEscape.escapeHtml4Xml(cell.text());
        String href = HtmlEscape.escapeHtml4Xml(cell.href());
        switch (cell.kind()) {
            case "link" -> html.append("<a href=\"").append(href).append("\" rel=\"noopener nofollow ugc\">")
                    .append(text).append("</a>");
            case "picture" -> {
                html.append("<img src=\"").append(href).append("\" alt=\"").append(text)
                        .append("\" width=\"56\" height=\"56\" loading=\"lazy\">");
                cell.tags().forEach(this::tag);
            }
            case "long whole" -> html.append("<span class=\"lines\">").append(text).append("</span>");
            case "formatted whole" -> html.append("<div class=\"formatted\">")
                    .append(FormattedTexts.html(cell.text())).append("</div>");
            case "long" -> html.append("<span class=\"clamp\">").append(text).append("</span>");
            case "tag" -> cell.tags().forEach(this::tag);
            case "rating" -> rating(cell.text(), cell.href());
            case "formatted" -> html.append("<div class=\"clamp formatted\">")
                    .append(FormattedTexts.html(cell.text())).append("</div>");
            default -> html.append(text);
        }
    }
}
