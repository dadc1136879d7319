package org.pressboard.sheet.line;

import org.unbescape.html.HtmlEscape;

/** What stands in one cell, or on one line of a card, as HTML; see {@link RowsMarkup}. */
public final class CellMarkup {

    private final StringBuilder html;

    public CellMarkup(StringBuilder html) {
        this.html = html;
    }

    /** A button by which a row is opened; none where it is not. */
    void button(Line line, String words) {
        if (!line.opens().isEmpty()) {
            html.append("<a class=\"button button-small opens\" href=\"").append(HtmlEscape.escapeHtml4Xml(line.opens()))
                    .append("\">").append(HtmlEscape.escapeHtml4Xml(words)).append("<span class=\"sr-only\"> ")
                    .append(HtmlEscape.escapeHtml4Xml(line.name())).append("</span></a>");
        }
    }

    private void tag(Content.Tag tag) {
        html.append("<span class=\"tag tag-").append(tag.colour()).append("\">")
                .append(HtmlEscape.escapeHtml4Xml(tag.text())).append("</span> ");
    }

    /** As many marks as it has, and as many empty ones as it lacks; read out as the number. */
    private void rating(Content.Rating rating) {
        int full = Integer.parseInt(rating.text());
        html.append("<span role=\"img\" aria-label=\"").append(full).append('/').append(rating.most()).append("\">")
                .append("&#9679;".repeat(full)).append("&#9675;".repeat(Math.max(0, rating.most() - full))).append("</span>");
    }

    private void picture(Content.Picture picture) {
        html.append("<img src=\"").append(escaped(picture.address())).append("\" alt=\"").append(escaped(picture.text()))
                .append("\" width=\"56\" height=\"56\" loading=\"lazy\">");
        if (picture.others() > 0) {
            tag(new Content.Tag("+" + picture.others(), "plain"));
        }
    }

    public void write(Cell cell) {
        switch (cell.content()) {
            case Content.Text text -> html.append(escaped(text.text()));
            case Content.YesNo yesNo -> html.append(escaped(yesNo.text()));
            case Content.Figures number -> html.append(escaped(number.text()));
            case Content.Time time -> html.append(escaped(time.text()));
            case Content.Link link -> html.append("<a href=\"").append(escaped(link.address()))
                    .append("\" rel=\"noopener nofollow ugc\">").append(escaped(link.text())).append("</a>");
            case Content.Picture picture -> picture(picture);
            case Content.Lines lines -> html.append(lines.whole() ? "<span class=\"lines\">" : "<span class=\"clamp\">")
                    .append(escaped(lines.text())).append("</span>");
            case Content.Formatted text -> html.append(text.whole() ? "<div class=\"formatted\">" : "<div class=\"clamp formatted\">")
                    .append(FormattedTexts.html(text.text())).append("</div>");
            case Content.Tags tags -> tags.tags().forEach(this::tag);
            case Content.Rating rating -> rating(rating);
        }
    }

    /** A line of a list of what there is to a row. */
    public void line(Cell cell, String value) {
        html.append("<div class=\"").append(cell.kind()).append("\"><dt>").append(escaped(cell.label())).append("</dt><dd>");
        if (cell.isEmpty()) {
            html.append("<span aria-hidden=\"true\">&ndash;</span>");
        } else {
            write(cell);
        }
        value(cell, value);
        html.append("</dd></div>");
    }

    /** What changes the value where it stands; a yes or no is turned over by a single click. None where there is no address. */
    void value(Cell cell, String address) {
        if (address.isEmpty()) {
            return;
        }
        html.append("<button type=\"button\" class=\"value\" data-value=\"").append(escaped(address)).append("\"");
        if (cell.content() instanceof Content.YesNo yesNo) {
            html.append(" data-turns=\"").append(yesNo.yes() ? "no" : "yes").append("\" role=\"checkbox\" aria-checked=\"")
                    .append(yesNo.yes()).append("\"");
        }
        html.append(" aria-label=\"").append(escaped(cell.label() + ": " + cell.text())).append("\"></button>");
    }

    private static String escaped(String text) {
        return HtmlEscape.escapeHtml4Xml(text);
    }
}
