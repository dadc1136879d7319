package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.control.AskedForm;
import org.pressboard.control.FormDesk;
import org.pressboard.edition.PageKey;
import org.pressboard.editing.Rejections;
import org.pressboard.form.Afterwards;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;
import org.pressboard.pace.Pace;
import org.pressboard.part.PageLines;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.Sheets;
import org.pressboard.stand.Addresses;
import org.pressboard.stand.Asking;
import org.pressboard.stand.OpenForm;
import org.pressboard.stand.OpenPage;
import org.pressboard.stand.Stands;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
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

    private final Stands stands;
    private final Sheets sheets;
    private final Freshness freshness;
    private final Pace pace;
    private final FormDesk desk;
    private final Receipts receipts;
    private final DrawnPages pages;
    private final PageLines lines;
    private final Rejections rejections;

    PageController(Stands stands, Sheets sheets, Freshness freshness, Pace pace, FormDesk desk, Receipts receipts,
            DrawnPages pages, PageLines lines, Rejections rejections) {
        this.lines = lines;
        this.rejections = rejections;
        this.pages = pages;
        this.receipts = receipts;
        this.desk = desk;
        this.stands = stands;
        this.sheets = sheets;
        this.freshness = freshness;
        this.pace = pace;
    }

    /** The start: the first page that the visitor may see; at the desk for staff when there is none. */
    @GetMapping("/")
    String start(Visit visit) {
        Optional<PageKey> first = visit.site().openTo(visit.visitor()).keySet().stream().findFirst();
        if (first.isPresent()) {
            return "redirect:/" + first.get();
        }
        return visit.who() != null && visit.who().isStaff() ? "redirect:/desk" : "site/nothing";
    }

    @GetMapping("/{page:[a-z][a-z0-9-]*}")
    @Nullable ModelAndView page(Visit visit, @PathVariable String page, @RequestParam MultiValueMap<String, String> parameters,
            Model model, ServletWebRequest request, HttpServletResponse response) {
        OpenPage on = stands.page(visit, request.getRequest());
        if (!on.page().key().name().equals(page)) {
            return new ModelAndView(FormerAddress.leadingOn(on.stand().page(), request.getRequest()));
        }
        List<Asking> askings = on.askings(parameters);
        List<OpenForm> forms = on.forms();
        Optional<Receipts.Receipt> receipt = Optional.ofNullable(parameters.getFirst("undo"))
                .flatMap(given -> receipts.read(given, request.getRequest()));
        List<Rejections.Rejection> rejected = rejected(on);
        if (receipt.isPresent() || !rejected.isEmpty() || forms.stream().anyMatch(OpenForm::may)) {
            // a form has a token of whoever gets it, so nothing of the page is kept for others
            pace.spend(visit.address(), Pace.PAGE);
        } else if (freshness.isKnown(visit, askings, request, response)) {
            return null;
        }
        Map<FormKey, AskedForm> asked = forms.stream().collect(Collectors.toMap(form -> form.form().key(),
                form -> desk.lay(form, request.getRequest())));
        List<Table> unseen = visit.visitor().isStaff() ? unseen(on) : List.of();
        DrawnPages.Outline outline = new DrawnPages.Outline(on, lines.lines(on, drawn(visit, askings), asked), request.getRequest());
        say(on, receipt, parameters, model);
        model.addAttribute("rejected", rejected);
        if (rejected.isEmpty() && forms.isEmpty() && unseen.isEmpty() && !isSaying(model)) {
            return new ModelAndView(pages.plain(outline));
        }
        model.addAllAttributes(pages.attributes(outline));
        model.addAttribute("page", on.page());
        model.addAttribute("unseen", unseen);
        return new ModelAndView("site/page");
    }

    /** What whoever looks has sent to a table of this page, and was rejected. */
    private List<Rejections.Rejection> rejected(OpenPage on) {
        Who who = on.visit().who();
        PublishedSite site = on.visit().site();
        if (who == null || !on.visit().isTheirOwn()) {
            return List.of();
        }
        List<Table> tables = Stream.concat(on.page().listings().stream().map(Listing::table), on.page().forms().stream().map(Form::table))
                .distinct().map(site::table).filter(table -> table.letThrough().isPresent()).toList();
        return tables.isEmpty() ? List.of() : rejections.of(who.email(), tables);
    }

    /** The same to be looked at, and nothing else: what whoever it is seen by does not get is said. */
    @GetMapping({Stands.PROOF, Stands.EDITION, Stands.SEEN})
    String proof(Visit visit, @RequestParam MultiValueMap<String, String> parameters, Model model, HttpServletRequest request) {
        OpenPage on = stands.page(visit, request);
        pace.spend(visit.address(), Pace.PAGE);
        List<Asking> askings = on.askings(parameters);
        model.addAttribute("page", on.page());
        model.addAttribute(SiteFrames.DRAWN, on.visit());
        model.addAttribute("closed", on.isClosed());
        model.addAttribute("lines", lines.lines(on, drawn(visit, askings), desk.proofs(on)));
        model.addAttribute("unseen", askings.stream().filter(asking -> !asking.isAllowed())
                .map(asking -> asking.table().label()).toList());
        return "desk/bench/proof";
    }

    private Map<ListingKey, Sheet> drawn(Visit visit, List<Asking> askings) {
        Map<ListingKey, Sheet> drawn = new LinkedHashMap<>();
        askings.stream().filter(Asking::isAllowed).forEach(asking -> drawn.put(asking.listing().key(),
                pace.inTurn(visit.address(), () -> sheets.sheet(asking))));
        return drawn;
    }

    /** Says of what has just been done what the address tells, and offers to take it back. */
    private static void say(OpenPage on, Optional<Receipts.Receipt> receipt,
            MultiValueMap<String, String> parameters, Model model) {
        model.addAttribute("thanks", FormKey.isValid(parameters.getFirst("sent"))
                ? thanks(on, new FormKey(Objects.requireNonNull(parameters.getFirst("sent")))) : null);
        model.addAttribute("done", Optional.ofNullable(parameters.getFirst("done")).filter(DONE::contains).orElse(null));
        full(on, parameters).ifPresent(full -> model.addAttribute("full", full));
        receipt.ifPresent(got -> {
            model.addAttribute("undo", parameters.getFirst("undo"));
            model.addAttribute("undoAt", new Addresses(on.stand(), got.listing()).undoing());
        });
    }

    /** Whether something is said of what has just been done, as the last request or the address tells. */
    private static boolean isSaying(Model model) {
        return Stream.of("said", "thanks", "done", "full").anyMatch(what -> model.getAttribute(what) != null);
    }

    /**
     * That a listing has more rows than go on paper.
     *
     * @param most how many of what there is room for
     * @param csv  where all of them are; empty: that is not offered
     */
    public record Full(String code, long most, String csv) {
    }

    private static Optional<Full> full(OpenPage on, MultiValueMap<String, String> parameters) {
        String most = Objects.requireNonNullElse(parameters.getFirst("most"), "");
        String code = "many-to-print".equals(parameters.getFirst("of")) ? "sheet.full.rows" : "sheet.full.characters";
        return !most.matches("\\d{1,9}") ? Optional.empty() : on.askings(parameters).stream()
                .filter(asking -> asking.listing().key().name().equals(parameters.getFirst("full"))).findFirst()
                .map(asking -> new Full(code, Long.parseLong(most), asking.listing().takeAway().contains(TakeAway.CSV)
                        ? asking.addresses().carried(TakeAway.CSV, asking.query()) : ""));
    }

    /** What is said to whoever has sent a form: a sentence of its owner's, or the code of a usual one. */
    private static Thanks thanks(OpenPage on, FormKey sent) {
        Optional<Form> form = on.page().form(sent);
        boolean waits = form.filter(each -> each.waits(on.visit().site().table(each.table()))).isPresent();
        String said = form.map(Form::then).filter(Afterwards.Thanks.class::isInstance)
                .map(then -> ((Afterwards.Thanks) then).text()).orElse("");
        return new Thanks(said, waits ? "form.thanks-waiting" : "form.thanks");
    }

    /** @param text what the owner has said; empty: what the code stands for */
    public record Thanks(String text, String code) {
    }

    /** The tables of the page whose rows staff sees here and people who are not signed in do not. */
    private static List<Table> unseen(OpenPage on) {
        PublishedSite site = on.visit().site();
        return on.page().listings().stream().map(Listing::table).distinct()
                .filter(table -> !(site.maySee(Visitor.ANYONE, table) instanceof Decision.Allowed))
                .map(site::table).toList();
    }
}
