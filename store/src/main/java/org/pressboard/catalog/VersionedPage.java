package org.pressboard.catalog;

import org.pressboard.edition.Page;

/** A page as it is kept: with the version of the form in which it was written, so that later forms can read it. */
record VersionedPage(int version, Page page) {

    private static final int CURRENT = 1;

    static String write(Page page) {
        return Definitions.write(new VersionedPage(CURRENT, page));
    }

    static Page read(String json) {
        VersionedPage kept = Definitions.read(json, VersionedPage.class);
        if (kept.version != CURRENT) {
            throw new IllegalStateException("The page is kept in form " + kept.version
                    + "; this release of Pressboard reads form " + CURRENT);
        }
        return kept.page;
    }
}
