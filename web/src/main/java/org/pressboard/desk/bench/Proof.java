package org.pressboard.desk.bench;

import static java.nio.charset.StandardCharsets.UTF_8;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Locale;
import java.util.List;
import java.util.Optional;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.control.FormDesk;
import org.pressboard.desk.DraftedPages;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Listing;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Offered;
import org.pressboard.sheet.Opened;
import org.pressboard.sheet.Place;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.Sheets;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.TableKey;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.unbescape.html.HtmlEscape;
import org.springframework.web.util.UriUtils;

/** The draft of a page as it will be, with the owner's own rows, in a frame of the bench; and earlier editions so. */
@Controller
class Proof {

    private static final String SEEN = "/desk/seen/{who}/{page}";
    private static final String EDITION = "/desk/editions/{page}/{number:\\d{1,9}}/look";

    private final Catalog catalog;
    private final Sheets sheets;
    private final SeenBy seenBy;
    private final FormDesk forms;

    Proof(Catalog catalog, Sheets sheets, SeenBy seenBy, FormDesk forms) {
        this.forms = forms;
        this.catalog = catalog;
        this.sheets = sheets;
        this.seenBy = seenBy;
    }

    /** What is looked at, the draft or an edition, of which site, where (what its addresses begin with), and by whom. */
    private record Looked(Page page, PublishedSite site, String at, Visitor visitor) {

        Place place(Listing listing) {
            return new Place(at, at + "/" + listing.key() + "/rows", "", "", at + "/" + listing.key() + "/pick/",
                    at + "/" + listing.key() + "/rows/value-counts");
        }

        Asking asking(Listing listing, MultiValueMap<String, String> parameters) {
            return Asking.of(listing, page.here(), sight(listing.table()), visitor,
                    AddressPart.of(listing.key(), page.listingKeys(), parameters));
        }

        /** The forms that they may send about a row of that table, where rows have no button for it. */
        List<Offered.Link> about(TableKey table) {
            return page.of(visitor).forms().stream()
                    .filter(form -> site.offers(form, visitor) && !page.hasButton(form.key(), table)
                            && !form.askingFor(table, site.table(form.table())).isEmpty())
                    .map(form -> new Offered.Link(Place.NOWHERE, form.title())).toList();
        }

        Sight sight(TableKey table) {
            return visitor.isStaff() ? Sight.whole(site.tables(), table) : site.sight(visitor, table);
        }
    }

    @GetMapping({"/desk/proof/{page}", EDITION, SEEN})
    String page(@PathVariable String page, @PathVariable Optional<Integer> number,
            @PathVariable Optional<String> who,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Looked looked = find(page, number, who);
        model.addAttribute("page", looked.page);
        model.addAttribute("closed", !looked.page.access().lets(looked.visitor));
        Page theirs = looked.page.of(looked.visitor);
        model.addAttribute("forms", theirs.forms().stream().map(form -> forms.proof(new FormDesk.Sitting(
                looked.site.asked(form, looked.visitor), looked.page.here(),
                looked.sight(form.table()), looked.visitor, "", language()),
                looked.site.may(looked.visitor, Verb.ADD, form.table()).isAllowed())).toList());
        List<Asking> askings = theirs.listings().stream().map(each -> looked.asking(each, parameters)).toList();
        model.addAttribute("sheets", askings.stream().filter(Asking::isAllowed)
                .map(asking -> sheets.sheet(asking, looked.place(asking.listing()), language())).toList());
        model.addAttribute("unseen", askings.stream().filter(asking -> !asking.isAllowed())
                .map(asking -> asking.table().label()).toList());
        return "desk/bench/proof";
    }

    @GetMapping({"/desk/proof/{page}/{key}", EDITION + "/{key}", SEEN + "/{key}"})
    String row(@PathVariable String page, @PathVariable Optional<Integer> number,
            @PathVariable Optional<String> who, @PathVariable String key,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Looked looked = find(page, number, who);
        model.addAttribute("page", looked.page);
        Opened opened = looked.page.listings().stream().flatMap(each -> sheets.open(
                looked.asking(each, parameters), looked.place(each), key, language()).stream()).findFirst()
                .orElseThrow(() -> new NotThere("not-there.one-row"));
        model.addAttribute("opened", opened);
        model.addAttribute("about", looked.about(opened.table()));
        return "site/row";
    }

    @GetMapping({"/desk/proof/{page}/{listing}/rows", EDITION + "/{listing}/rows", SEEN + "/{listing}/rows"})
    String rows(@PathVariable String page, @PathVariable Optional<Integer> number,
            @PathVariable Optional<String> who, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters, Model model, HttpServletResponse response) {
        Looked looked = find(page, number, who);
        Listing found = DraftedPages.listing(looked.page, listing);
        Sheet sheet = sheets.sheet(looked.asking(found, parameters), looked.place(found), language());
        response.setHeader("HX-Replace-Url", sheet.address());
        model.addAttribute("sheet", sheet);
        return "sheet/sheet :: sheet";
    }

    @GetMapping({"/desk/proof/{page}/{listing}/pick/{field}", EDITION + "/{listing}/pick/{field}", SEEN + "/{listing}/pick/{field}"})
    String pick(@PathVariable String page, @PathVariable Optional<Integer> number,
            @PathVariable Optional<String> who, @PathVariable String listing,
            @PathVariable String field, @RequestParam(defaultValue = "") String called,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Looked looked = find(page, number, who);
        Asking asking = looked.asking(DraftedPages.listing(looked.page, listing), parameters);
        model.addAttribute("menu", sheets.pick(asking, field, called, language()));
        return "sheet/sheet :: picks";
    }

    @GetMapping({"/desk/proof/{page}/{listing}/rows/value-counts", EDITION + "/{listing}/rows/value-counts", SEEN + "/{listing}/rows/value-counts"})
    String valueCounts(@PathVariable String page, @PathVariable Optional<Integer> number,
            @PathVariable Optional<String> who, @PathVariable String listing,
            @RequestParam(defaultValue = "") List<String> of, @RequestParam MultiValueMap<String, String> parameters,
            Model model) {
        Looked looked = find(page, number, who);
        Listing found = DraftedPages.listing(looked.page, listing);
        model.addAttribute("menus", sheets.counted(looked.asking(found, parameters), looked.place(found), of, language()));
        return "sheet/sheet :: value-counts";
    }

    @GetMapping({"/desk/proof/{page}/{listing}/rows/totals", EDITION + "/{listing}/rows/totals", SEEN + "/{listing}/rows/totals"})
    @ResponseBody String totals(@PathVariable String page, @PathVariable Optional<Integer> number,
            @PathVariable Optional<String> who, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters) {
        Looked looked = find(page, number, who);
        return HtmlEscape.escapeHtml4Xml(sheets.total(looked.asking(DraftedPages.listing(looked.page, listing),
                parameters), language()));
    }

    private Locale language() {
        return catalog.published().site().language();
    }

    /** What is looked at; the whole of the answer is drawn for whoever it is seen by. */
    private Looked find(String key, Optional<Integer> number, Optional<String> who) {
        Looked looked = looked(key, number, who);
        SignedIn.drawFor(looked.visitor);
        return looked;
    }

    private Looked looked(String key, Optional<Integer> number, Optional<String> who) {
        DraftedPage page = DraftedPages.find(catalog, key);
        PublishedSite site = catalog.publishedNow();
        if (number.isEmpty()) {
            Visitor visitor = seenBy.find(who.orElse("")).orElseThrow(() -> new NotThere("not-there.person"));
            String at = who.map(some -> "/desk/seen/" + UriUtils.encodePathSegment(some, UTF_8) + "/" + key)
                    .orElse("/desk/proof/" + key);
            return new Looked(page.draft().among(site.tables()), site, at, visitor);
        }
        Edition edition = page.editions().stream().filter(each -> each.number() == number.get()).findFirst()
                .orElseThrow(() -> new NotThere("not-there.page"));
        return new Looked(edition.page().among(site.tables()), site,
                "/desk/editions/" + key + "/" + number.get() + "/look", SignedIn.currentVisitor());
    }
}
