package org.pressboard.change;

/**
 * One state of a table's rows.
 *
 * @param number    differs whenever the rows do
 * @param since     the state from which on each change was heard of; revisions with another one do not compare
 * @param lostSince how many rows were altered or removed since then, those added and lost again included
 */
public record Revision(long number, long since, long lostSince) {

    /** The state after a change that altered or removed so many rows. */
    Revision after(long newNumber, long lost) {
        return new Revision(newNumber, since, lostSince + lost);
    }

    /**
     * How many rows of an earlier state are certainly still as they were, of so many then. Where a change was missed,
     * none is.
     */
    public long leftOf(long rows, Revision earlier) {
        return since == earlier.since ? Math.max(0, rows - (lostSince - earlier.lostSince)) : 0;
    }
}
