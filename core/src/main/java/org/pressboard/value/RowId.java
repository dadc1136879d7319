package org.pressboard.value;

import java.util.Optional;
import java.util.regex.Pattern;

/**
 * What identifies a row in its table. Only what reads and writes rows where they lie knows more of it than that two are the
 * same, and how it is written.
 *
 * @param number as the database gives it, from 1; 0: {@link #NONE}
 */
public record RowId(long number) implements Comparable<RowId> {

    /** Of a row that is not there, or not yet. */
    public static final RowId NONE = new RowId(0);

    private static final Pattern WRITTEN = Pattern.compile("[0-9]{1,18}");

    /** @throws IllegalArgumentException when it is not one */
    public static RowId of(String written) {
        return read(written).orElseThrow(() -> new IllegalArgumentException("No row is called so: " + written));
    }

    /** Empty where it is not one. */
    public static Optional<RowId> read(String written) {
        return WRITTEN.matcher(written).matches() ? Optional.of(new RowId(Long.parseLong(written))) : Optional.empty();
    }

    /** In the order in which rows were added. */
    @Override
    public int compareTo(RowId other) {
        return Long.compare(number, other.number);
    }

    @Override
    public String toString() {
        return Long.toString(number);
    }
}
