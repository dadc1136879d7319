package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.pace.Pace;
import org.pressboard.sheet.Sheets;
import org.pressboard.stand.Asking;
import org.pressboard.stand.NotHonoured;
import org.pressboard.stand.Stands;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.context.request.ServletWebRequest;
import org.unbescape.html.HtmlEscape;

/** The rows of a listing alone, for a page that is open already, wherever it stands. */
@Controller
class ListingController {

    private static final String SITE = "/listings/{listing}";
    private static final String PROOF = Stands.PROOF + "/{listing}";
    private static final String SEEN = Stands.SEEN + "/{listing}";
    private static final String EDITION = Stands.EDITION + "/{listing}";
    private static final String ROWS = "/rows";
    private static final String COUNT = "/rows/count";
    private static final String TOTALS = "/rows/totals";
    private static final String VALUE_COUNTS = "/rows/value-counts";
    private static final String PICK = "/pick/{field}";

    private final Stands stands;
    private final Sheets sheets;
    private final Freshness freshness;
    private final Pace pace;

    ListingController(Stands stands, Sheets sheets, Freshness freshness, Pace pace) {
        this.stands = stands;
        this.sheets = sheets;
        this.freshness = freshness;
        this.pace = pace;
    }

    @GetMapping({SITE + ROWS, PROOF + ROWS, SEEN + ROWS, EDITION + ROWS})
    @Nullable String rows(Visit visit, @RequestParam MultiValueMap<String, String> parameters,
            @RequestHeader(name = "HX-Source", defaultValue = "") String source, Model model, ServletWebRequest request,
            HttpServletResponse response) {
        Asking asking = stands.listing(visit, request.getRequest(), parameters);
        tellAddress(asking, source, response);
        if (freshness.isKnown(asking.visit(), List.of(asking), request, response)) {
            return null;
        }
        model.addAttribute("sheet", pace.inTurn(visit.address(), () -> sheets.sheet(asking)));
        return "sheet/sheet :: sheet";
    }

    @GetMapping({SITE + COUNT, PROOF + COUNT, SEEN + COUNT, EDITION + COUNT})
    @ResponseBody String count(Visit visit, @RequestParam MultiValueMap<String, String> parameters,
            HttpServletRequest request) {
        pace.spend(visit.address(), Pace.COUNT);
        Asking asking = stands.listing(visit, request, parameters);
        NotHonoured.refuse(asking.asked());
        return pace.inTurn(visit.address(), () -> sheets.countToEnd(asking));
    }

    /** What the numbers of all rows come to. */
    @GetMapping({SITE + TOTALS, PROOF + TOTALS, SEEN + TOTALS, EDITION + TOTALS})
    @ResponseBody String totals(Visit visit, @RequestParam MultiValueMap<String, String> parameters,
            HttpServletRequest request) {
        pace.spend(visit.address(), Pace.COUNT);
        Asking asking = stands.listing(visit, request, parameters);
        return HtmlEscape.escapeHtml4Xml(pace.inTurn(visit.address(), () -> sheets.total(asking)));
    }

    /** The rows of another table that a field can be narrowed by, found by what they are called. */
    @GetMapping({SITE + PICK, PROOF + PICK, SEEN + PICK, EDITION + PICK})
    String pick(Visit visit, @PathVariable String field, @RequestParam(defaultValue = "") String called,
            @RequestParam MultiValueMap<String, String> parameters, Model model, HttpServletRequest request) {
        Asking asking = stands.listing(visit, request, parameters);
        pace.spend(visit.address(), Pace.PAGE);
        model.addAttribute("menu", pace.inTurn(visit.address(), () -> sheets.pick(asking, field, called)));
        return "sheet/sheet :: picks";
    }

    /** How many rows there are of what one can narrow to, as the other narrowings leave them. */
    @GetMapping({SITE + VALUE_COUNTS, PROOF + VALUE_COUNTS, SEEN + VALUE_COUNTS, EDITION + VALUE_COUNTS})
    String valueCounts(Visit visit, @RequestParam(defaultValue = "") List<String> of,
            @RequestParam MultiValueMap<String, String> parameters, Model model, HttpServletRequest request) {
        Asking asking = stands.listing(visit, request, parameters);
        pace.spend(visit.address(), Pace.PAGE);
        model.addAttribute("menus", pace.inTurn(visit.address(), () -> sheets.counted(asking, of)));
        return "sheet/sheet :: value-counts";
    }

    /** Typing changes the address in place, and so does all in a proof; everything else is a step that Back undoes. */
    private static void tellAddress(Asking asking, String source, HttpServletResponse response) {
        boolean isStep = asking.addresses().isOnSite() && !source.startsWith("input");
        response.setHeader(isStep ? "HX-Push-Url" : "HX-Replace-Url", asking.addresses().page() + asking.query());
    }
}
