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

    public Set<ListingKey> listingKeys() {
        return listings.stream().map(Listing::key).collect(Collectors.toUnmodifiableSet());
    }
}
