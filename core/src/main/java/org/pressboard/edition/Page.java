package org.pressboard.edition;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;

/** A page as it is drafted or published: its title and the listings on it, from top to bottom. */
public record Page(PageKey key, String title, List<Listing> listings) {

    public Page {
        listings = List.copyOf(listings);
        if (title.isBlank()) {
            throw new IllegalArgumentException("The page " + key + " needs a title");
        }
    }

    /** The same page at that address. */
    public Page at(PageKey address) {
        return new Page(address, title, listings);
    }

    public Page titled(String other) {
        return new Page(key, other, listings);
    }

    public Page with(List<Listing> others) {
        return new Page(key, title, others);
    }

    public Set<ListingKey> listingKeys() {
        return listings.stream().map(Listing::key).collect(Collectors.toUnmodifiableSet());
    }
}
