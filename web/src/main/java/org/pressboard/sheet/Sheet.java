package org.pressboard.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.FieldKey;

/**
 * A listing ready to be drawn: every text written, every link made.
 *
 * @param id       the element that is exchanged when the state changes
 * @param query    the state shown, as an address's query
 * @param searched the words searched; {@code null} where there is no search
 * @param cleared  the state without search and narrowing; {@code null} when there is none
 * @param countAll the address that tells how many match, when they were not counted to the end; else {@code null}
 * @param takeAway the formats in which it may be carried away; none where it stands where that is not offered
 * @param fields   the fields that the cells of a line are of
 * @param hint     what stands in the empty search box
 * @param all      the state that shows all where only the first few are shown; else {@code null}
 * @param large    whether searching takes a while, so that it is not begun with every letter
 */
public record Sheet(String id, String label, Place place, String query, @Nullable String searched,
                    List<NarrowMenu> menus, List<Chip> chips, List<SortOption> sorts, List<Heading> headings,
                    List<Line> lines, String count, @Nullable String cleared, @Nullable String countAll, Pager pager,
                    List<String> notices, Names names, List<Hidden> hidden, boolean large,
                    List<String> takeAway, Look look, List<FieldKey> fields, String hint, @Nullable String all) {

    private static final int MOST_IN_BAR = 4;

    /** What the form's fields are called in the address, and how all names of the listing begin; often with nothing. */
    public record Names(String prefix, String search, String sort) {
    }

    /** Something the form sends along unseen. */
    public record Hidden(String name, String value) {
    }

    /** A row as it is drawn, and the address at which it is opened; empty where it is not. */
    public record Line(long rowId, List<Cell> cells, String opens) {

        /** What names the row; empty where nothing does. */
        String name() {
            return cells.stream().filter(Cell::naming).map(Cell::text).findFirst().orElse("");
        }
    }

    /** The rows as HTML, every text in it escaped. */
    public String rowsMarkup() {
        return look.isOfCards() ? CardsMarkup.of(lines, look, fields) : RowsMarkup.of(lines, place, look);
    }

    /** The menus that have a place of their own in the bar; the others share one. */
    public List<NarrowMenu> menusInBar() {
        return menus.size() <= MOST_IN_BAR + 1 ? menus : menus.subList(0, MOST_IN_BAR);
    }

    public List<NarrowMenu> menusBehind() {
        return menus.subList(menusInBar().size(), menus.size());
    }

    /** How many things the menus that share a place narrow by. */
    public long pickedBehind() {
        return menusBehind().stream().mapToLong(NarrowMenu::picked).sum();
    }

    public boolean isEmpty() {
        return lines.isEmpty();
    }

    public boolean isNarrowed() {
        return cleared != null;
    }

    public boolean hasBar() {
        return searched != null || !menus.isEmpty();
    }
}
