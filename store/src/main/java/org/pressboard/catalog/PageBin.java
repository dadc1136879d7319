package org.pressboard.catalog;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import org.pressboard.edition.PageKey;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Pages that were removed: nobody gets to them, their addresses stay theirs, and they can be put back as they were. */
@Component
public class PageBin {

    private final EntityManager entities;
    private final Catalog catalog;

    PageBin(EntityManager entities, Catalog catalog) {
        this.entities = entities;
        this.catalog = catalog;
    }

    /** The pages in the bin, and since when, the last removed first. */
    @Transactional(readOnly = true)
    public Map<DraftedPage, Instant> pages() {
        Map<DraftedPage, Instant> removed = new LinkedHashMap<>();
        entities.createQuery("from PageEntity where removedAt is not null order by removedAt desc", PageEntity.class)
                .getResultStream().forEach(page -> removed.put(catalog.drafted(page),
                        Objects.requireNonNull(page.removedAt())));
        return removed;
    }

    @Transactional
    public void put(PageKey key) {
        catalog.pageEntity(key).remove(Instant.now());
        catalog.tellOthers();
    }

    @Transactional
    public void putBack(PageKey key) {
        catalog.pageEntity(key).putBack();
        catalog.tellOthers();
    }

    /** Removes the page for good, with its editions. */
    @Transactional
    public void forget(PageKey key) {
        entities.remove(catalog.pageEntity(key));
        catalog.tellOthers();
    }
}
