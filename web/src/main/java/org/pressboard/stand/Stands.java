package org.pressboard.stand;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.NewerForm;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.edition.Access;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.ListingKey;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerMapping;

/** Finds what addresses name, as those may have it who ask. What is not for them is not there, as if it did not exist. */
@Component
public class Stands {

    /** The addresses of proofs; what is below them is as below a page of the site. */
    public static final String PROOF = "/desk/proof/{page}";
    public static final String SEEN = "/desk/seen/{who}/{page}";
    public static final String EDITION = "/desk/editions/{page}/{number:\\d{1,9}}/look";

    private static final Pattern PROOFS = Pattern.compile("/desk/(proof|seen|editions/[^/]+/\\d+/look)(/.*)?");

    private final Catalog catalog;
    private final SeenBy seenBy;

    Stands(Catalog catalog, SeenBy seenBy) {
        this.catalog = catalog;
        this.seenBy = seenBy;
    }

    /** Whether the address is of a proof, so that it is drawn as the site is. */
    public static boolean isProof(String address) {
        return PROOFS.matcher(address).matches();
    }

    /**
     * The page that the request is about, by the variables of its address.
     *
     * @throws NotThere   when there is none for them
     * @throws PageClosed when there is one for others, and they are to be told
     */
    public OpenPage page(Visit visit, HttpServletRequest request) {
        Map<String, String> named = variables(request);
        String page = named.getOrDefault("page", "");
        return isProof(request.getRequestURI()) ? proof(visit, page, named) : published(visit, page);
    }

    /**
     * The listing that the request is about, of which they see something.
     *
     * @throws NotThere when there is no such listing, or none of its rows is for them
     */
    public Asking listing(Visit visit, HttpServletRequest request, Map<String, ? extends List<String>> parameters) {
        return allowed(find(visit, request, parameters));
    }

    /** A published one of that name, as it begins. */
    public Asking listing(Visit visit, String listing) {
        return allowed(find(visit, listing, Map.of()));
    }

    private static Asking allowed(Asking asking) {
        if (!asking.isAllowed()) {
            throw new NotThere("not-there.listing");
        }
        return asking;
    }

    /** The same also where they see no row of it: they may perhaps add one. */
    public Asking find(Visit visit, HttpServletRequest request, Map<String, ? extends List<String>> parameters) {
        String listing = variables(request).getOrDefault("listing", "");
        return isProof(request.getRequestURI()) ? page(visit, request).asking(DraftedPages.listingKey(listing), parameters)
                : find(visit, listing, parameters);
    }

    /** A published one. */
    public Asking find(Visit visit, String listing, Map<String, ? extends List<String>> parameters) {
        ListingKey key = DraftedPages.listingKey(listing);
        Page page = visit.site().listing(key).map(found -> found.edition().page())
                .filter(each -> each.access().lets(visit.visitor())).orElseThrow(() -> new NotThere("not-there.listing"));
        return new OpenPage(new Stand.Published(page.key()), page, visit).asking(key, parameters);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, String> variables(HttpServletRequest request) {
        return request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables
                ? (Map<String, String>) variables : Map.of();
    }

    /** The published page at an address, also at one that it had before. */
    public OpenPage published(Visit visit, String address) {
        Visitor visitor = visit.visitor();
        PublishedSite site = visit.site();
        Optional<PageKey> key = Optional.of(address).filter(PageKey::isValid).map(PageKey::new);
        Optional<PageKey> before = Optional.ofNullable(site.formerly().get(address));
        key.or(() -> before).filter(site.newer()::contains).ifPresent(newer -> {
            throw NewerForm.ofPage(newer);
        });
        return key.flatMap(asked -> site.openTo(visitor, asked)).or(() -> before.flatMap(now -> site.openTo(visitor, now)))
                .map(Edition::page).map(page -> new OpenPage(new Stand.Published(page.key()), page, visit))
                .orElseThrow(() -> shut(key.flatMap(asked -> site.closedTo(visitor, asked))));
    }

    private static RuntimeException shut(Optional<Page> closed) {
        return closed.filter(page -> page.access().otherwise() != Access.Otherwise.NOT_THERE)
                .<RuntimeException>map(PageClosed::new).orElseGet(() -> new NotThere("not-there.page"));
    }

    private OpenPage proof(Visit visit, String page, Map<String, String> named) {
        String number = named.get("number");
        return number == null ? draft(visit, page, named.get("who")) : edition(visit, page, Integer.parseInt(number));
    }

    private OpenPage draft(Visit visit, String page, @Nullable String who) {
        Page draft = DraftedPages.draft(catalog, page);
        Visitor visitor = seenBy.find(visit, who == null ? "" : who).orElseThrow(() -> new NotThere("not-there.person"));
        return new OpenPage(new Stand.Draft(draft.key(), who), draft.among(visit.site().tables()), visit.seenBy(visitor));
    }

    private OpenPage edition(Visit visit, String page, int number) {
        Edition edition = DraftedPages.find(catalog, page).edition(number).orElseThrow(() -> new NotThere("not-there.page"));
        return new OpenPage(new Stand.OfEdition(edition.page().key(), number), edition.page().among(visit.site().tables()), visit);
    }
}
