package org.pressboard.change;

import java.util.Collection;

/**
 * One state of a table's rows, of those of several, or of the catalog.
 *
 * @param number grows with every change; alike on every node. Negative: it is not known which state it is, and never twice the same
 * @param lost   how many rows were altered or removed ever; negative: not known
 */
public record Revision(long number, long lost) {

    private static final long NOT_KNOWN = -1;

    /** Before anything was ever changed. */
    static final Revision FIRST = new Revision(0, 0);

    static Revision notKnown(long unique) {
        return new Revision(-Math.abs(unique), NOT_KNOWN);
    }

    /**
     * The state of several tables together: each number only grows, and so does what they come to. Of what rows elsewhere do to
     * a table's own, nothing is certain.
     */
    static Revision together(Collection<Revision> all) {
        return all.stream().filter(each -> each.number < 0).findFirst()
                .orElseGet(() -> new Revision(all.stream().mapToLong(Revision::number).sum(), NOT_KNOWN));
    }

    /** How many rows of an earlier state are certainly still as they were, of so many then. */
    public long leftOf(long rows, Revision earlier) {
        return earlier.lost < 0 || lost < earlier.lost ? 0 : Math.max(0, rows - (lost - earlier.lost));
    }
}
