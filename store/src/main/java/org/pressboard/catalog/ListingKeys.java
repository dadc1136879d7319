package org.pressboard.catalog;

import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Field;
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
        Field<String[]> keys = DSL.val(page.listingKeys().stream().map(ListingKey::name).toArray(String[]::new));
        Field<String> of = DSL.val(page.key().name());
        sql.execute("insert into pressboard.listing_key (key, page_key) select key, {1} from unnest({0}) key on conflict do nothing", keys, of);
        sql.fetchOptional("select key from pressboard.listing_key where key = any({0}) and page_key <> {1} limit 1", keys, of)
                .ifPresent(taken -> {
                    throw ProblemsFound.of("bench.listing-taken", taken.get(0, String.class));
                });
    }
}
