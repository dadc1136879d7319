package org.pressboard.form;

/** What whoever has sent a form gets to see. */
public sealed interface Afterwards {

    /** The usual sentence. */
    Afterwards USUAL = new Thanks("");

    /** A sentence; the usual one where none is given. */
    record Thanks(String text) implements Afterwards {
    }

    /** Another page of the site, by its address. */
    record ToPage(String page) implements Afterwards {
    }

    /** The new row, where the page lists it and they may see it; else the usual sentence. */
    record ToRow() implements Afterwards {
    }
}
