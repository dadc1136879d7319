package org.pressboard.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.TakeAway;
import org.pressboard.sheet.finder.Chip;
import org.pressboard.sheet.finder.Finder;
import org.pressboard.sheet.line.Heading;
import org.pressboard.sheet.line.Look;
import org.pressboard.stand.Addresses;

/**
 * What stands around the rows of a sheet: every text written, every link made.
 *
 * @param id       the element that is exchanged when the state changes
 * @param query    the state shown, as an address's query
 * @param cleared  the state without search and narrowing; {@code null} when there is none
 * @param countAll the address that tells how many match, when they were not counted to the end; else {@code null}
 * @param takeAway the formats in which it may be carried away; none where it stands where that is not offered
 * @param totals   what the numbers of all rows that match come to; {@code null}: none are added up
 * @param all      the state that shows all where only the first few are shown; else {@code null}
 * @param empty    whether there are no rows
 * @param instead  where nothing is found, what would find something
 * @param lastPage the state of the last page, where a page behind it was asked for; else {@code null}
 */
public record SheetFrame(String id, String label, Addresses addresses, String query, Finder finder, List<Chip> chips,
                         List<Heading> headings, String count, @Nullable String cleared, @Nullable String countAll,
                         Pager pager, List<String> notices, List<TakeAway> takeAway, Look look, @Nullable String all,
                         Doing doing, @Nullable Totalled totals, boolean empty, List<Instead> instead, @Nullable String lastPage) {

    /**
     * What is done with the rows from around them.
     *
     * @param add     where a row is added; {@code null}: none is
     * @param several where something is done with several rows picked; {@code null}: nothing is
     * @param any     whether something is done with one of the rows
     */
    public record Doing(@Nullable String add, @Nullable String several, boolean any) {
    }

    /**
     * Another state that has rows.
     *
     * @param said what is sought there, and how many rows it has
     * @param word whether it is another word that is searched; else a filter is dropped
     */
    public record Instead(String said, String query, boolean word) {
    }

    /** What numbers come to, and the address that adds them up; nothing is said where nobody has yet. */
    public record Totalled(String said, String address) {
    }

    /** The form that picked rows are sent by; empty: none are picked. */
    public String picks() {
        return !addresses.opening().isEmpty() ? "several" : doing.several() == null || look.isOfCards() ? "" : "several-" + id;
    }

    public boolean isNarrowed() {
        return cleared != null;
    }
}
