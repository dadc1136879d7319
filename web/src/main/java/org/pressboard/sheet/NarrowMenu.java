package org.pressboard.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a field can be narrowed to: one or several of a few values, or a range.
 *
 * @param range {@code null} where there are values to pick
 * @param pick  the address that finds more to pick by what it is called; empty where all are there
 */
public record NarrowMenu(String parameter, String label, List<Option> options, @Nullable Range range, String pick) {

    /** One value. */
    public record Option(String value, String text, boolean picked) {
    }

    /** A range as it stands: the kind of input, and its ends in the form of addresses, empty where open. */
    public record Range(String input, String from, String to) {

        boolean isOpen() {
            return from.isEmpty() && to.isEmpty();
        }
    }

    /** How many things the field is narrowed to. */
    public long picked() {
        return options.stream().filter(Option::picked).count() + (range == null || range.isOpen() ? 0 : 1);
    }
}
