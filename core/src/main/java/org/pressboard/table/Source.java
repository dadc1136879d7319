package org.pressboard.table;

/**
 * Where a table's rows come from. Whoever asks differently for rows of different sources goes through the members, so that
 * the compiler names every such place where one is added; what a source cannot do, such as change rows or keep what became
 * of them, is said there.
 */
public sealed interface Source {

    Hosted HOSTED = new Hosted();

    /**
     * Kept in the site's own database, which sees to all: words are looked for, changes kept and told, tallies worked out
     * along with each change.
     */
    record Hosted() implements Source {
    }
}
