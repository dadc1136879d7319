package org.pressboard.catalog;

import org.pressboard.edition.PageKey;

/** A definition was written by a later release than this one, which must neither read nor change it. */
public final class NewerForm extends RuntimeException {

    private NewerForm(String said) {
        super(said);
    }

    static NewerForm of(String what, int version, int known) {
        return new NewerForm("The " + what + " is kept in form " + version + "; this release of Pressboard reads form " + known);
    }

    /** Somebody asks for a page that was {@link PublishedSite#newer() left out} for it. */
    public static NewerForm ofPage(PageKey page) {
        return new NewerForm("The page " + page + " was published by a later release of Pressboard");
    }
}
