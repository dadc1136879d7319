package org.pressboard.edition;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Tables;

/**
 * A page as it is drafted or published: its title, what is said before all, and the listings on it, from top to bottom.
 *
 * @param lead     what is said under the title; may be empty
 * @param unlisted whether the menu leaves it out
 */
public record Page(PageKey key, String title, String lead, boolean unlisted, List<Listing> listings) {

    public static final int LONGEST_TITLE = 100;
    public static final int LONGEST_LEAD = 1_000;

    public Page {
        lead = Objects.requireNonNullElse(lead, "");
        listings = List.copyOf(listings);
        if (title.isBlank()) {
            throw new IllegalArgumentException("The page " + key + " needs a title");
        }
    }

    public Page(PageKey key, String title, List<Listing> listings) {
        this(key, title, "", false, listings);
    }

    /** The same page at that address. */
    public Page at(PageKey address) {
        return new Page(address, title, lead, unlisted, listings);
    }

    public Page titled(String other) {
        return new Page(key, other, lead, unlisted, listings);
    }

    public Page leading(String other) {
        return new Page(key, title, other, unlisted, listings);
    }

    public Page listed(boolean inMenu) {
        return new Page(key, title, lead, !inMenu, listings);
    }

    public Page with(List<Listing> others) {
        return new Page(key, title, lead, unlisted, others);
    }

    /**
     * The same as it is among these tables: without the listings of those that are gone, and the others without fields that
     * are (see {@link Listing#onPage}).
     */
    public Page among(Tables tables) {
        return with(listings.stream().filter(listing -> tables.find(listing.table()).isPresent())
                .map(listing -> listing.onPage(tables, title, key.name())).toList());
    }

    public Optional<Listing> listing(ListingKey which) {
        return listings.stream().filter(listing -> listing.key().equals(which)).findFirst();
    }

    /** The same with one of its listings changed. */
    public Page changing(ListingKey which, UnaryOperator<Listing> change) {
        return with(listings.stream().map(listing -> listing.key().equals(which) ? change.apply(listing) : listing)
                .toList());
    }

    public Set<ListingKey> listingKeys() {
        return listings.stream().map(Listing::key).collect(Collectors.toUnmodifiableSet());
    }
}
