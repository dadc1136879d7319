package org.pressboard.stand;

import org.pressboard.edition.Page;

/** The page is there, but not for whoever asks, and its owner wants them to be told. */
public final class PageClosed extends RuntimeException {

    private final transient Page page;

    PageClosed(Page page) {
        super(page.key().name());
        this.page = page;
    }

    public Page page() {
        return page;
    }
}
