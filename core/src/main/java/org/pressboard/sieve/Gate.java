package org.pressboard.sieve;

/** What a row must pass on its way from the table to the screen, in this order. */
public enum Gate {
    /** It is in the table. */
    TABLE,
    /** Whoever looks may see it. */
    ALLOWED,
    /** The ticket keeps it. */
    KEPT,
    /** It is among what is searched and narrowed to. */
    LEFT,
    /** It is on this page of the list. */
    PAGE
}
