package org.pressboard.desk;

import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.desk.table.Ungranted;
import org.pressboard.desk.table.UnseenFields;
import org.pressboard.listing.Listing;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** What keeps visitors from what a page is to show or to let them do: told on its screen, with what to do about it. */
@Component
class PageNotes {

    private final Catalog catalog;
    private final UnseenFields unseen;
    private final GoneFields gone;
    private final Ungranted ungranted;

    PageNotes(Catalog catalog, UnseenFields unseen, GoneFields gone, Ungranted ungranted) {
        this.catalog = catalog;
        this.unseen = unseen;
        this.gone = gone;
        this.ungranted = ungranted;
    }

    void tell(PublishedSite site, DraftedPage page, Model model) {
        model.addAttribute("unseen", page.listingsAmong(catalog.tables()).flatMap(listing ->
                unseen.of(site, listing).stream()).distinct().toList());
        model.addAttribute("broken", site.edition(page.draft().key()).stream()
                .flatMap(edition -> edition.page().listings().stream()).filter(Listing::isBroken)
                .map(listing -> site.table(listing.table()).label()).toList());
        model.addAttribute("gone", gone.from(page));
        model.addAttribute("ungranted", ungranted.of(page.draft()));
    }
}
