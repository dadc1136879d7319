package org.pressboard.stand;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pressboard.edition.Page;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.visit.Visit;

/**
 * A page that somebody has before them.
 *
 * @param page as they may have it
 */
public record OpenPage(Stand stand, Page page, Visit visit) {

    public OpenPage {
        page = page.of(visit.visitor());
    }

    /** The same as somebody else has it, of whom it is as much theirs. */
    public OpenPage as(Visitor somebody) {
        return new OpenPage(stand, page, visit.seenBy(somebody));
    }

    /** Its listings, each as an address of the page asks for it. */
    public List<Asking> askings(Map<String, ? extends List<String>> parameters) {
        return page.listings().stream().map(listing -> asking(listing, parameters)).toList();
    }

    /** One of them, also where it is for others. */
    public Asking asking(Listing listing, Map<String, ? extends List<String>> parameters) {
        return Asking.of(this, listing, part(listing, parameters));
    }

    /**
     * One of them as an address of its own asks for it, where its parameters need not say whose they are.
     *
     * @throws NotThere when there is none of that name
     */
    public Asking asking(ListingKey key, Map<String, ? extends List<String>> parameters) {
        Listing listing = DraftedPages.listing(page, key);
        return Asking.of(this, listing, part(listing, parameters).with(parameters));
    }

    /** Its forms, also those that they may not send. */
    public List<OpenForm> allForms() {
        return page.forms().stream().map(form -> new OpenForm(this, form)).toList();
    }

    /** Its forms, those besides that only people who are signed in may send. */
    public List<OpenForm> forms() {
        return allForms().stream().filter(open -> visit.site().offers(open.form(), visit.visitor())).toList();
    }

    /** @throws NotThere when there is none of that name */
    public OpenForm form(String key) {
        return Optional.of(key).filter(FormKey::isValid).map(FormKey::new).flatMap(page::form).map(form -> new OpenForm(this, form))
                .orElseThrow(() -> new NotThere("not-there.form"));
    }

    /** Whether visitors do not get to the page, so that nothing on it is theirs. */
    public boolean isClosed() {
        return !page.access().lets(visit.visitor());
    }

    private AddressPart part(Listing listing, Map<String, ? extends List<String>> parameters) {
        return AddressPart.of(listing.key(), page.listingKeys(), parameters);
    }
}
