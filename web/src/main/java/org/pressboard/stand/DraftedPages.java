package org.pressboard.stand;

import java.util.Optional;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;

/** The pages and listings that addresses name. */
public final class DraftedPages {

    private DraftedPages() {
    }

    /** @throws NotThere when there is none of that name */
    public static DraftedPage find(Catalog catalog, String key) {
        return catalog.page(key(key)).orElseThrow(() -> new NotThere("not-there.page"));
    }

    /** The draft alone: to read its editions, too, takes longer. */
    public static Page draft(Catalog catalog, String key) {
        return catalog.draft(key(key)).orElseThrow(() -> new NotThere("not-there.page"));
    }

    /** @throws NotThere when no page can be named so */
    public static PageKey key(String key) {
        return Optional.of(key).filter(PageKey::isValid).map(PageKey::new).orElseThrow(() -> new NotThere("not-there.page"));
    }

    /** @throws NotThere when no listing can be named so */
    public static ListingKey listingKey(String key) {
        return Optional.of(key).filter(ListingKey::isValid).map(ListingKey::new)
                .orElseThrow(() -> new NotThere("not-there.listing"));
    }

    /** @throws NotThere when there is none of that name on the page */
    public static Listing listing(Page page, String key) {
        return listing(page, listingKey(key));
    }

    static Listing listing(Page page, ListingKey key) {
        return page.listing(key).orElseThrow(() -> new NotThere("not-there.listing"));
    }
}
