package org.pressboard.catalog;

import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.edition.Page;
import org.pressboard.listing.ListingKey;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.Names;
import org.springframework.stereotype.Component;

/**
 * The keys of all listings of the site, each of one page alone, for rows are asked for by them. A page keeps those of listings
 * that it had once: earlier editions have them, and steps that can be taken back.
 */
@Component
class ListingKeys {

    private final DSLContext sql;

    ListingKeys(DSLContext sql) {
        this.sql = sql;
    }

    /** The name itself, or with a number behind it where that is taken. */
    ListingKey free(String name) {
        Set<String> taken = sql.fetch("select key from pressboard.listing_key where key = {0} or starts_with(key, {0} || '-')", DSL.val(name))
                .intoSet(found -> found.get(0, String.class));
        return new ListingKey(Names.unique(name, "-", taken));
    }

    /** @throws ProblemsFound when another page has one of them */
    void reserve(Page page) {
        for (ListingKey key : page.listingKeys()) {
            boolean isFree = sql.execute("insert into pressboard.listing_key (key, page_key) values ({0}, {1}) on conflict (key) do update "
                            + "set page_key = excluded.page_key where listing_key.page_key = excluded.page_key", DSL.val(key.name()),
                    DSL.val(page.key().name())) > 0;
            if (!isFree) {
                throw ProblemsFound.of("bench.listing-taken", key.name());
            }
        }
    }
}
