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
 * @param all      the state that shows all where only the first few are shown; else {@code null}
 */
public record Sheet(String id, String label, Place place, String query, Finder finder, List<Chip> chips,
                    List<Heading> headings, List<Line> lines, String count, @Nullable String cleared,
                    @Nullable String countAll, Pager pager, List<String> notices, List<TakeAway> takeAway, Look look,
                    List<FieldKey> fields, @Nullable String all, Offered offered) {

    /** A row as it is drawn, the address at which it is opened (empty where it is not), and how it is marked. */
    public record Line(long rowId, List<Cell> cells, String opens, RowMark mark) {

        /** What names the row; empty where nothing does. */
        String name() {
            return cells.stream().filter(Cell::naming).map(Cell::text).findFirst().orElse("");
        }
    }

    /** The rows as HTML, every text in it escaped. */
    public String rowsMarkup() {
        return look.isOfCards() ? CardsMarkup.of(lines, look, fields, this::change)
                : RowsMarkup.of(lines, place, look, offered.isAny() ? this::change : null);
    }

    /** The link by which a row is changed; nothing where it may not be. */
    private String change(long row) {
        Offered.Link link = offered.rows().get(row);
        return link == null ? "" : "<a class=\"changes\" href=\"" + HtmlUtils.htmlEscape(link.address() + query) + "\">"
                + HtmlUtils.htmlEscape(link.text()) + "</a>";
    }

    /** The same with what the visitor may change of it. */
    Sheet offering(Offered some) {
        return new Sheet(id, label, place, query, finder, chips, headings, lines, count, cleared, countAll, pager, notices,
                takeAway, look, fields, all, some);
    }

    public boolean isEmpty() {
        return lines.isEmpty();
    }

    public boolean isNarrowed() {
        return cleared != null;
    }
}
