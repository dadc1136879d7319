package org.pressboard.site;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.edition.Page;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.ListingKey;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.NotThere;
import org.springframework.stereotype.Component;

/** The published listings that a visitor may see. Others are not there, as if they did not exist. */
@Component
public class OpenListings {

    private final Catalog catalog;

    OpenListings(Catalog catalog) {
        this.catalog = catalog;
    }

    /** A listing, asked for by somebody who may see it, and the page it stands on. */
    public record Open(Page page, Asking asking) {
    }

    /** @throws NotThere when there is no such listing, or none of its rows is for this visitor */
    public Open open(String key, Visitor visitor, Map<String, ? extends List<String>> parameters) {
        return Optional.of(find(key, visitor, parameters)).filter(open -> open.asking().isAllowed())
                .orElseThrow(() -> new NotThere("not-there.listing"));
    }

    /** The same also where the visitor sees no row of it: they may perhaps add one. */
    public Open find(String key, Visitor visitor, Map<String, ? extends List<String>> parameters) {
        PublishedSite site = catalog.published();
        return Optional.of(key).filter(ListingKey::isValid).map(ListingKey::new).flatMap(site::listing)
                .filter(found -> found.edition().page().access().lets(visitor)
                        && found.edition().page().access().lets(visitor, found.listing().key()))
                .map(found -> new Open(found.edition().page(), Asking.of(found.listing(), found.edition().page().here(),
                        site.sight(visitor, found.listing().table()), visitor,
                        AddressPart.of(found.listing().key(), found.edition().page().listingKeys(), parameters)
                                .with(parameters))))
                .orElseThrow(() -> new NotThere("not-there.listing"));
    }
}
