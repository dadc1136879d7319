package org.pressboard.sheet.line;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.listing.CardFace;
import org.pressboard.stand.Addresses;
import org.unbescape.html.HtmlEscape;

/** The rows of a sheet as cards, in HTML; see {@link RowsMarkup}. */
public final class CardsMarkup {

    private final StringBuilder html;
    private final CellMarkup cells;
    private final Look look;
    private final CardFace face;
    private final Set<Integer> tags;

    private final Addresses addresses;
    private final RowsMarkup.Changes changes;

    private CardsMarkup(StringBuilder html, Addresses addresses, Look look, CardFace face, Set<Integer> tags, RowsMarkup.Changes changes) {
        this.addresses = addresses;
        this.html = html;
        this.cells = new CellMarkup(html);
        this.changes = changes;
        this.look = look;
        this.face = face;
        this.tags = tags;
    }

    public static void draw(StringBuilder html, List<Line> lines, Addresses addresses, Look look, CardFace face, RowsMarkup.Changes changes) {
        Set<Integer> tags = face.tags().stream().map(changes.fields()::indexOf).collect(Collectors.toSet());
        lines.forEach(new CardsMarkup(html, addresses, look, face, tags, changes)::card);
    }

    private void card(Line line) {
        int picture = face.picture() == CardFace.PicturePlace.NONE ? -1 : picture(line);
        int heading = heading(line);
        html.append("<li class=\"card").append(picture < 0 ? " bare" : "").append(line.mark().classes()).append("\">");
        if (picture >= 0 && line.cells().get(picture).content() instanceof Content.Picture shown) {
            picture(shown);
        }
        html.append("<div class=\"card-body\">");
        heading(line, heading);
        tags(line.cells(), heading);
        lines(line, picture, heading);
        if (look.hasButton()) {
            html.append("<p class=\"card-go\">");
            cells.button(line, look.opening().button());
            html.append("</p>");
        }
        String change = changes.links() == null ? "" : changes.links().apply(line.rowId());
        if (!change.isEmpty()) {
            html.append("<p class=\"card-go\">").append(change).append("</p>");
        }
        html.append("</div></li>\n");
    }

    /** Where a row has no picture, its card keeps the room, so that the cards stay in line. */
    private void picture(Content.Picture picture) {
        html.append("<div class=\"card-picture\">");
        if (!picture.address().isEmpty()) {
            html.append("<img src=\"").append(HtmlEscape.escapeHtml4Xml(picture.address())).append("\" alt=\"\" loading=\"lazy\">");
        }
        html.append("</div>");
    }

    /** Which of its cells is the first that is of pictures. */
    private static int picture(Line line) {
        for (int i = 0; i < line.cells().size(); i++) {
            if (line.cells().get(i).content() instanceof Content.Picture) {
                return i;
            }
        }
        return -1;
    }

    private static int heading(Line line) {
        for (int i = 0; i < line.cells().size(); i++) {
            if (line.cells().get(i).naming()) {
                return i;
            }
        }
        return -1;
    }

    private void heading(Line line, int heading) {
        if (heading < 0) {
            return;
        }
        boolean opens = !line.opens().isEmpty() && !look.hasButton();
        // under the page's title, or the listing's own
        String level = look.dress().title().isEmpty() ? "h2" : "h3";
        html.append('<').append(level).append(" class=\"card-heading\">")
                .append(line.mark().signs());
        if (opens) {
            html.append("<a class=\"opens\" href=\"").append(HtmlEscape.escapeHtml4Xml(line.opens())).append("\">");
        }
        if (line.cells().get(heading).isEmpty()) {
            html.append("&hellip;");
        } else {
            cells.write(line.cells().get(heading));
        }
        html.append(opens ? "</a></" : "</").append(level).append('>');
    }

    private void tags(List<Cell> of, int heading) {
        List<Cell> shown = tags.stream().sorted().filter(i -> i >= 0 && i != heading).map(of::get)
                .filter(cell -> !cell.isEmpty()).toList();
        if (!shown.isEmpty()) {
            html.append("<p class=\"card-tags\">");
            shown.forEach(this::tag);
            html.append("</p>");
        }
    }

    /** What is no choice has no colour of its own. */
    private void tag(Cell cell) {
        if (cell.content() instanceof Content.Tags) {
            cells.write(cell);
        } else {
            html.append("<span class=\"tag\">");
            cells.write(cell);
            html.append("</span> ");
        }
    }

    /** What is empty is left out, but for what can be filled in where it stands. */
    private void lines(Line line, int picture, int heading) {
        html.append("<dl class=\"card-lines\">");
        for (int i = 0; i < line.cells().size(); i++) {
            Cell cell = line.cells().get(i);
            String value = changes.values().address(addresses, line.rowId(), changes.fields().get(i));
            if (i != picture && i != heading && !tags.contains(i) && !(cell.isEmpty() && value.isEmpty())) {
                cells.line(cell, value);
            }
        }
        html.append("</dl>");
    }
}
