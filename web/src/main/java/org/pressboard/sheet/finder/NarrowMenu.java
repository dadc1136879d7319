package org.pressboard.sheet.finder;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.NarrowBy;

/**
 * The control by which a field is narrowed.
 *
 * @param parameter what the field is called in the address
 * @param options   what can be picked
 * @param one       whether one thing at a time is picked
 * @param range     {@code null} where no range is given
 * @param box       of what is typed into one box, how it is called and what stands in it; else {@code null}
 * @param spans     stretches of days to narrow to with one click
 * @param bars      how the values are distributed; {@code null}: not shown, or not known yet
 * @param pick      the address that finds more to pick by what it is called; empty where all are there
 * @param told      whether how many rows there are of each is known; where it is not, it can be asked for
 */
public record NarrowMenu(String key, String parameter, String label, NarrowBy.ControlKind way, boolean one, List<Option> options,
                         @Nullable Range range, @Nullable Box box, List<Span> spans, boolean distribution,
                         @Nullable DistributionBars bars, String pick, boolean told) {

    /**
     * One value.
     *
     * @param colour of the tag that it is; empty: none
     * @param rows   how many have it, in words; empty: not known
     */
    public record Option(String value, String text, boolean picked, String colour, String rows, boolean none) {
    }

    /** A range as it stands: the kind of input, and its ends in the form of addresses, empty where open. */
    public record Range(String input, String from, String to) {

        boolean isOpen() {
            return from.isEmpty() && to.isEmpty();
        }
    }

    /** What is typed: the parameter that carries it, the kind of input, what it is about, and what stands in it. */
    public record Box(String parameter, String input, String said, String text) {
    }

    /** A stretch of days, and the state narrowed to it, as an address's query. */
    public record Span(String text, String query, boolean current) {
    }

    /** Whether it stands in the bar with all its values. */
    public boolean isLaidOut() {
        return way == NarrowBy.ControlKind.TAGS || way == NarrowBy.ControlKind.LETTERS;
    }

    /** Whether it says how many rows there are of what, once it is known. */
    public boolean isCounted() {
        return distribution || way.isOfValues() || way == NarrowBy.ControlKind.LETTERS;
    }

    /** How many things the field is narrowed to. */
    public long picked() {
        return options.stream().filter(Option::picked).count() + (range == null || range.isOpen() ? 0 : 1)
                + (box == null || box.text().isEmpty() ? 0 : 1);
    }
}
