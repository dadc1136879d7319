package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Locale;
import java.util.Optional;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Listing;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Opened;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Place;
import org.pressboard.sheet.Sheets;
import org.pressboard.signin.SignedIn;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** A row at an address of its own, for a page and for slips over a list. */
@Controller
class RowController {

    private final Catalog catalog;
    private final Sheets sheets;
    private final Pace pace;
    private final OpenForms forms;

    RowController(Catalog catalog, Sheets sheets, Pace pace, OpenForms forms) {
        this.forms = forms;
        this.catalog = catalog;
        this.sheets = sheets;
        this.pace = pace;
    }

    /** A key that names no row, and one of a row that this visitor may not see, are the same to them. */
    @GetMapping("/{page:[a-z][a-z0-9-]*}/{key}")
    String row(@PathVariable String page, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            Locale language, Model model, HttpServletRequest request, HttpServletResponse response) {
        Visitor visitor = SignedIn.currentVisitor();
        PublishedSite site = catalog.published();
        Edition edition = Doors.open(site, page, visitor);
        pace.spend(request.getRemoteAddr(), Pace.PAGE);
        Opened opened = pace.inTurn(request.getRemoteAddr(), () -> find(site, edition.page(), visitor, key, parameters,
                language)).orElseThrow(() -> new NotThere("not-there.one-row"));
        response.setHeader("Cache-Control", "no-cache");
        model.addAttribute("page", edition.page());
        model.addAttribute("opened", opened);
        model.addAttribute("about", forms.about(site, edition.page(), visitor, opened.table(), opened.title(), key));
        model.addAttribute("thanks", parameters.containsKey("sent") ? "form.thanks" : null);
        return "site/row";
    }

    /** The first listing of the page that has the row. */
    private Optional<Opened> find(PublishedSite site, Page page, Visitor visitor, String key,
            MultiValueMap<String, String> parameters, Locale language) {
        return page.listings().stream().map(listing -> asking(site, page, listing, visitor, parameters))
                .filter(Asking::isAllowed)
                .flatMap(asking -> sheets.open(asking, Place.onSite(page.key().name(), asking.listing().key().name()), key,
                        language).stream()).findFirst();
    }

    private static Asking asking(PublishedSite site, Page page, Listing listing, Visitor visitor,
            MultiValueMap<String, String> parameters) {
        return Asking.of(listing, page.here(), site.sight(visitor, listing.table()), visitor,
                AddressPart.of(listing.key(), page.listingKeys(), parameters));
    }
}
