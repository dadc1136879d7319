package org.pressboard.takeaway;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.pressboard.listing.TakeAway;
import org.pressboard.stand.Asking;
import org.pressboard.stand.NotHonoured;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.Stands;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Component;

/** The listings that whoever asks may carry away, each in the ways that its owner offers. */
@Component
class Offers {

    private final Stands stands;

    Offers(Stands stands) {
        this.stands = stands;
    }

    /**
     * The listing that the address names, as it asks for it; all of that must be meant.
     *
     * @throws NotThere when there is no such listing, or it does not leave in any of these ways
     */
    Asking find(Visit visit, HttpServletRequest request, Map<String, ? extends List<String>> parameters, Set<TakeAway> as) {
        Asking asking = stands.listing(visit, request, parameters);
        if (asking.listing().takeAway().stream().noneMatch(as::contains)) {
            throw new NotThere("not-there.take-away");
        }
        NotHonoured.refuse(asking.asked());
        return asking;
    }
}
