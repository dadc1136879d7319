package org.pressboard.edition;

import java.util.List;
import java.util.Objects;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.ListingKey;

/**
 * Who gets to a page, and what others get instead. Which rows they see there is for the grants to say.
 *
 * @param audiences those who do; of none, everybody does
 * @param message   what others are told; may be empty
 * @param listings  the listings that are for some of them only
 */
public record Access(List<Audience> audiences, Otherwise otherwise, String message, List<OfListing> listings) {

    /** For everybody. */
    public static final Access EVERYBODY = new Access(List.of(), Otherwise.NOT_THERE, "", List.of());

    public static final int LONGEST_MESSAGE = 1_000;

    /** What those get who do not get to the page. */
    public enum Otherwise {
        /** As if there were no such page. */
        NOT_THERE,
        /** To sign in first, and then the page; who is signed in already, the message. */
        SIGN_IN,
        /** The message. */
        MESSAGE
    }

    /** A listing that is for some only; others find the page without it. */
    public record OfListing(ListingKey listing, List<Audience> audiences) {
        public OfListing {
            audiences = List.copyOf(audiences);
        }
    }

    public Access {
        audiences = audiences == null ? List.of() : List.copyOf(audiences);
        otherwise = Objects.requireNonNullElse(otherwise, Otherwise.NOT_THERE);
        message = Objects.requireNonNullElse(message, "");
        listings = listings == null ? List.of() : List.copyOf(listings);
    }

    public boolean lets(Visitor visitor) {
        return lets(audiences, visitor);
    }

    public boolean lets(Visitor visitor, ListingKey listing) {
        return lets(of(listing), visitor);
    }

    private static boolean lets(List<Audience> audiences, Visitor visitor) {
        return visitor.isStaff() || audiences.isEmpty()
                || audiences.stream().anyMatch(audience -> audience.includes(visitor));
    }

    /** Those whom a listing is for; none: everybody who gets to the page. */
    public List<Audience> of(ListingKey listing) {
        return listings.stream().filter(each -> each.listing().equals(listing)).findFirst().map(OfListing::audiences)
                .orElse(List.of());
    }
}
