package org.pressboard.site;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.control.FormDesk;
import org.pressboard.edition.Edition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Afterwards;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Listing;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Place;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.Sheets;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.Table;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.context.request.ServletWebRequest;
import org.springframework.web.servlet.ModelAndView;

/** The published pages. */
@Controller
class PageController {

    /** What somebody who is not signed in has just done, as the address tells. */
    private static final Set<String> DONE = Set.of("added", "changed", "removed", "same",
            "changed-several", "removed-several", "undone", "not-undone");

    private final Catalog catalog;
    private final Sheets sheets;
    private final Freshness freshness;
    private final Pace pace;
    private final OpenForms forms;
    private final FormDesk desk;
    private final Receipts receipts;
    private final DrawnPages pages;

    PageController(Catalog catalog, Sheets sheets, Freshness freshness, Pace pace, OpenForms forms, FormDesk desk,
            Receipts receipts, DrawnPages pages) {
        this.pages = pages;
        this.receipts = receipts;
        this.desk = desk;
        this.forms = forms;
        this.catalog = catalog;
        this.sheets = sheets;
        this.freshness = freshness;
        this.pace = pace;
    }

    /** The start: the first page that the visitor may see; at the desk for staff when there is none. */
    @GetMapping("/")
    String start() {
        Optional<PageKey> first = catalog.published().openTo(SignedIn.currentVisitor()).keySet().stream().findFirst();
        if (first.isPresent()) {
            return "redirect:/" + first.get();
        }
        SignedIn current = SignedIn.current();
        return current != null && current.isStaff() ? "redirect:/desk" : "site/nothing";
    }

    @GetMapping("/{page:[a-z][a-z0-9-]*}")
    @Nullable ModelAndView page(@PathVariable String page, @RequestParam MultiValueMap<String, String> parameters,
            Locale language, Model model, ServletWebRequest request, HttpServletResponse response) {
        Visitor visitor = SignedIn.currentVisitor();
        PublishedSite site = catalog.published();
        Edition edition = Doors.open(site, page, visitor);
        if (!edition.page().key().name().equals(page)) {
            return new ModelAndView("redirect:/" + edition.page().key());
        }
        List<Asking> askings = edition.page().listings().stream()
                .map(listing -> asking(site, edition.page(), listing, visitor, AddressPart.of(listing.key(),
                        edition.page().listingKeys(), parameters))).toList();
        List<OpenForms.Open> open = forms.on(site, edition.page(), visitor);
        Optional<Receipts.Receipt> receipt = Optional.ofNullable(parameters.getFirst("undo")).flatMap(receipts::read);
        if (receipt.isPresent() || open.stream().anyMatch(OpenForms.Open::may)) {
            // a form has a token of whoever gets it, so nothing of the page is kept for others
            pace.spend(request.getRequest().getRemoteAddr(), Pace.PAGE);
        } else if (freshness.isKnown(askings, visitor, request, response)) {
            return null;
        }
        List<Sheet> drawn = askings.stream().filter(asking -> asking.isAllowed())
                .map(asking -> pace.inTurn(request.getRequest().getRemoteAddr(), () -> sheet(edition, asking, language)))
                .toList();
        List<Table> unseen = visitor.isStaff() ? unseen(site, edition) : List.of();
        String publicAddress = site.site().publicAddress();
        DrawnPages.Outline outline = new DrawnPages.Outline(edition.page(), drawn,
                publicAddress.isEmpty() ? "" : publicAddress + "/" + edition.page().key(), language);
        say(site, edition.page(), receipt, parameters, model);
        if (open.isEmpty() && unseen.isEmpty() && !isSaying(model)) {
            return new ModelAndView(pages.plain(outline));
        }
        model.addAllAttributes(pages.attributes(outline));
        model.addAttribute("page", edition.page());
        model.addAttribute("unseen", unseen);
        model.addAttribute("forms", open.stream().map(form -> desk.lay(form.sitting(language), form.may(), form.name(),
                request.getRequest())).toList());
        return new ModelAndView("site/page");
    }

    /** Says of what has just been done what the address tells, and offers to take it back. */
    private static void say(PublishedSite site, Page page, Optional<Receipts.Receipt> receipt,
            MultiValueMap<String, String> parameters, Model model) {
        model.addAttribute("thanks", FormKey.isValid(parameters.getFirst("sent"))
                ? thanks(site, page, new FormKey(Objects.requireNonNull(parameters.getFirst("sent")))) : null);
        model.addAttribute("done", Optional.ofNullable(parameters.getFirst("done")).filter(DONE::contains).orElse(null));
        receipt.ifPresent(got -> {
            model.addAttribute("undo", parameters.getFirst("undo"));
            model.addAttribute("undoAt", "/listings/" + got.listing() + "/undo");
        });
    }

    /** Whether something is said of what has just been done, as the last request or the address tells. */
    private static boolean isSaying(Model model) {
        return Stream.of("said", "thanks", "done").anyMatch(what -> model.getAttribute(what) != null);
    }

    /** What is said to whoever has sent a form: a sentence of its owner's, or the code of a usual one. */
    private static Thanks thanks(PublishedSite site, Page page, FormKey sent) {
        Optional<Form> form = page.form(sent);
        boolean waits = form.filter(each -> each.waits(site.table(each.table()))).isPresent();
        String said = form.map(Form::then).filter(Afterwards.Thanks.class::isInstance)
                .map(then -> ((Afterwards.Thanks) then).text()).orElse("");
        return new Thanks(said, waits ? "form.thanks-waiting" : "form.thanks");
    }

    /** @param text what the owner has said; empty: what the code stands for */
    public record Thanks(String text, String code) {
    }

    private static Asking asking(PublishedSite site, Page page, Listing listing, Visitor visitor, AddressPart part) {
        return Asking.of(listing, page.here(), site.sight(visitor, listing.table()), visitor, part);
    }

    private Sheet sheet(Edition edition, Asking asking, Locale language) {
        Place place = Place.onSite(edition.page().key().name(), asking.listing().key().name());
        return sheets.sheet(asking, place, language);
    }

    /** The tables of the page whose rows staff sees here and people who are not signed in do not. */
    private static List<Table> unseen(PublishedSite site, Edition edition) {
        return edition.page().listings().stream().map(Listing::table).distinct()
                .filter(table -> !(site.maySee(Visitor.ANYONE, table) instanceof Decision.Allowed))
                .map(site::table).toList();
    }
}
