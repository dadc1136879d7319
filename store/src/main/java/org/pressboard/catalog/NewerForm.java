package org.pressboard.catalog;

/** A definition was written by a later release than this one, which must neither read nor change it. */
public final class NewerForm extends RuntimeException {

    NewerForm(String what, int version, int known) {
        super("The " + what + " is kept in form " + version + "; this release of Pressboard reads form " + known);
    }
}
