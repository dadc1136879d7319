package org.pressboard.takeaway;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.pressboard.listing.TakeAway;
import org.pressboard.sheet.NotHonoured;
import org.pressboard.sheet.NotThere;
import org.pressboard.signin.SignedIn;
import org.pressboard.site.OpenListings;
import org.springframework.stereotype.Component;

/** The listings that whoever asks may carry away, each in the ways that its owner offers. */
@Component
class Offers {

    private final OpenListings listings;

    Offers(OpenListings listings) {
        this.listings = listings;
    }

    /**
     * A listing as the address asks for it, all of which must be meant.
     *
     * @throws NotThere when there is no such listing, or it does not leave in any of these ways
     */
    OpenListings.Open find(String listing, Map<String, ? extends List<String>> parameters, Set<TakeAway> as) {
        OpenListings.Open open = listings.open(listing, SignedIn.currentVisitor(), parameters);
        if (open.asking().listing().takeAway().stream().noneMatch(as::contains)) {
            throw new NotThere("not-there.take-away");
        }
        NotHonoured.refuse(open.asking().asked());
        return open;
    }
}
