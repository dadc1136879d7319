package org.pressboard.sheet;

import java.util.List;
import java.util.stream.Collectors;
import org.pressboard.listing.Layout;
import org.pressboard.sheet.line.CardsMarkup;
import org.pressboard.sheet.line.Line;
import org.pressboard.sheet.line.RowsMarkup;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.unbescape.html.HtmlEscape;

/**
 * A listing ready to be drawn.
 *
 * @param fields  the fields that the cells of a line are of
 * @param offered what the visitor may change of it
 * @param state   the number of the state of the rows that it was drawn from, or of an earlier one
 */
public record Sheet(SheetFrame frame, List<Line> lines, List<FieldKey> fields, Offered offered, long state) {

    /** Where it stands, in the state shown. */
    public String address() {
        return frame.addresses().page() + frame.query();
    }

    /** Draws the rows as HTML, every text in it escaped. */
    public void drawRows(StringBuilder html) {
        RowsMarkup.Changes changes = new RowsMarkup.Changes(offered.isAny() ? this::changes : null, fields, offered.inPlace(),
                frame.picks(), frame.addresses().opening().isEmpty() ? offered.several().rows() : null);
        switch (frame.look().layout()) {
            case Layout.AsTable rows -> RowsMarkup.draw(html, lines, frame.addresses(), frame.look(), changes);
            case Layout.AsCards cards -> CardsMarkup.draw(html, lines, frame.addresses(), frame.look(), cards.face(), changes);
            case Layout.AsStrip strip -> CardsMarkup.draw(html, lines, frame.addresses(), frame.look(), strip.face(), changes);
        }
    }

    /** What can be done with a row, and where; nothing where it may not be. */
    private String changes(RowId row) {
        return offered.of(row).stream().map(this::markup).collect(Collectors.joining(" "));
    }

    private String markup(Offered.Link link) {
        String text = HtmlEscape.escapeHtml4Xml(link.text());
        if (link.address() == null) {
            return "<span class=\"changes soft\">" + text + "</span>";
        }
        // a form knows by itself where it goes on
        String state = link.address().contains("?") ? "" : frame.query();
        return "<a class=\"changes\" href=\"" + HtmlEscape.escapeHtml4Xml(link.address() + state) + "\">" + text + "</a>";
    }
}
