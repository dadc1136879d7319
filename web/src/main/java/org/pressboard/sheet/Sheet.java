package org.pressboard.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.TakeAway;
import org.pressboard.value.FieldKey;
import org.springframework.web.util.HtmlUtils;

/**
 * A listing ready to be drawn: every text written, every link made.
 *
 * @param id       the element that is exchanged when the state changes
 * @param query    the state shown, as an address's query
 * @param cleared  the state without search and narrowing; {@code null} when there is none
 * @param countAll the address that tells how many match, when they were not counted to the end; else {@code null}
 * @param takeAway the formats in which it may be carried away; none where it stands where that is not offered
 * @param fields   the fields that the cells of a line are of
 * @param offered  what the visitor may change of it
 * @param totals   what the numbers of all rows that match come to; {@code null}: none are added up
 * @param all      the state that shows all where only the first few are shown; else {@code null}
 */
public record Sheet(String id, String label, Place place, String query, Finder finder, List<Chip> chips,
                    List<Heading> headings, List<Line> lines, String count, @Nullable String cleared,
                    @Nullable String countAll, Pager pager, List<String> notices, List<TakeAway> takeAway, Look look,
                    List<FieldKey> fields, @Nullable String all, Offered offered, @Nullable Totalled totals) {

    /** What numbers come to, and the address that adds them up; nothing is said where nobody has yet. */
    public record Totalled(String said, String address) {
    }

    /** A row as it is drawn, the address at which it is opened (empty where it is not), and how it is marked. */
    public record Line(long rowId, List<Cell> cells, String opens, RowMark mark) {

        /** What names the row; empty where nothing does. */
        String name() {
            return cells.stream().filter(Cell::naming).map(Cell::text).findFirst().orElse("");
        }
    }

    /** The rows as HTML, every text in it escaped. */
    public String rowsMarkup() {
        return look.isOfCards() ? CardsMarkup.of(lines, look, fields, this::changes)
                : RowsMarkup.of(lines, place, look, new RowsMarkup.Changes(offered.isAny() ? this::changes : null, fields,
                        offered.values(), picks()));
    }

    /** The form that picked rows are sent by; empty: none are picked. */
    public String picks() {
        return !place.opening().isEmpty() ? "several" : offered.several() == null || look.isOfCards() ? "" : "several-" + id;
    }

    /** The links by which a row is changed; nothing where it may not be. */
    private String changes(long row) {
        StringBuilder html = new StringBuilder();
        for (Offered.Link link : offered.of(row)) {
            // a form knows by itself where it goes on
            String state = link.address().contains("?") ? "" : query;
            html.append("<a class=\"changes\" href=\"").append(HtmlUtils.htmlEscape(link.address() + state)).append("\">")
                    .append(HtmlUtils.htmlEscape(link.text())).append("</a> ");
        }
        return html.toString().strip();
    }

    /** The same with what the visitor may change of it. */
    Sheet offering(Offered some) {
        return new Sheet(id, label, place, query, finder, chips, headings, lines, count, cleared, countAll, pager, notices,
                takeAway, look, fields, all, some, totals);
    }

    /** The same with what its numbers come to. */
    Sheet totalling(@Nullable Totalled said) {
        return new Sheet(id, label, place, query, finder, chips, headings, lines, count, cleared, countAll, pager, notices,
                takeAway, look, fields, all, offered, said);
    }

    public boolean isEmpty() {
        return lines.isEmpty();
    }

    public boolean isNarrowed() {
        return cleared != null;
    }
}
