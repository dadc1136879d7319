package org.pressboard.schema;

import java.util.function.BiPredicate;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.edition.Edition;
import org.pressboard.listing.Listing;
import org.pressboard.table.TableKey;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Sees to it that what is published has its indexes, whatever becomes of pages and tables. */
@Component
public class IndexUpkeep {

    private final Catalog catalog;
    private final Indexes indexes;

    IndexUpkeep(Catalog catalog, Indexes indexes) {
        this.catalog = catalog;
        this.indexes = indexes;
    }

    /** Begins to make what is lacking: after a run that broke off, or for another language to sort by. */
    @EventListener(ApplicationReadyEvent.class)
    public void complete() {
        complete(catalog.published(), (site, listing) -> true);
    }

    /** Begins that for some listings once the caller's transaction is through, as things stand in it then. */
    void completeAfterwards(BiPredicate<PublishedSite, Listing> which) {
        PublishedSite site = catalog.publishedNow();
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                complete(site, which);
            }
        });
    }

    /** The same for those that show something of a table. */
    void completeAfterwards(TableKey changed) {
        completeAfterwards((site, listing) -> site.tables()
                .reachedFrom(site.tables().get(listing.table()), listing.shown()).contains(changed));
    }

    private void complete(PublishedSite site, BiPredicate<PublishedSite, Listing> which) {
        site.editions().stream().map(Edition::page).flatMap(page -> page.listings().stream())
                .filter(listing -> which.test(site, listing))
                .forEach(listing -> indexes.makeInBackground(site.tables(), listing, site.site().language()));
    }
}
