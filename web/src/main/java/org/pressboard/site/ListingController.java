package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.pressboard.grant.Visitor;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.NotHonoured;
import org.pressboard.sheet.Pace;
import org.pressboard.sheet.Place;
import org.pressboard.sheet.Sheets;
import org.pressboard.signin.SignedIn;
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

/** The rows of a listing alone, for a page that is open already. */
@Controller
class ListingController {

    private final OpenListings listings;
    private final Sheets sheets;
    private final Freshness freshness;
    private final Pace pace;

    ListingController(OpenListings listings, Sheets sheets, Freshness freshness, Pace pace) {
        this.listings = listings;
        this.sheets = sheets;
        this.freshness = freshness;
        this.pace = pace;
    }

    @GetMapping("/listings/{listing}/rows")
    @Nullable String rows(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters,
            @RequestHeader(name = "HX-Source", defaultValue = "") String source, Locale language, Model model,
            ServletWebRequest request, HttpServletResponse response) {
        Visitor visitor = SignedIn.currentVisitor();
        OpenListings.Open open = listings.open(listing, visitor, parameters);
        Place place = Place.onSite(open.page().key().name(), listing);
        tellAddress(response, source, place.page() + open.asking().query());
        if (freshness.isKnown(List.of(open.asking()), visitor, request, response)) {
            return null;
        }
        model.addAttribute("sheet", pace.inTurn(request.getRequest().getRemoteAddr(),
                () -> sheets.sheet(open.asking(), place, language)));
        return "sheet/sheet :: sheet";
    }

    @GetMapping("/listings/{listing}/rows/count")
    @ResponseBody String count(@PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, HttpServletRequest request) {
        pace.spend(request.getRemoteAddr(), Pace.COUNT);
        Asking asking = listings.open(listing, SignedIn.currentVisitor(), parameters).asking();
        NotHonoured.refuse(asking.asked());
        return pace.inTurn(request.getRemoteAddr(), () -> sheets.countToEnd(asking, language));
    }

    /** What the numbers of all rows come to. */
    @GetMapping("/listings/{listing}/rows/totals")
    @ResponseBody String totals(@PathVariable String listing, @RequestParam MultiValueMap<String, String> parameters,
            Locale language, HttpServletRequest request) {
        pace.spend(request.getRemoteAddr(), Pace.COUNT);
        Asking asking = listings.open(listing, SignedIn.currentVisitor(), parameters).asking();
        return HtmlEscape.escapeHtml4Xml(pace.inTurn(request.getRemoteAddr(), () -> sheets.total(asking, language)));
    }

    /** The rows of another table that a field can be narrowed by, found by what they are called. */
    @GetMapping("/listings/{listing}/pick/{field}")
    String pick(@PathVariable String listing, @PathVariable String field, @RequestParam(defaultValue = "") String called,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request) {
        Asking asking = listings.open(listing, SignedIn.currentVisitor(), parameters).asking();
        pace.spend(request.getRemoteAddr(), Pace.PAGE);
        model.addAttribute("menu", pace.inTurn(request.getRemoteAddr(),
                () -> sheets.pick(asking, field, called, language)));
        return "sheet/sheet :: picks";
    }

    /** How many rows there are of what one can narrow to, as the other narrowings leave them. */
    @GetMapping("/listings/{listing}/rows/value-counts")
    String valueCounts(@PathVariable String listing, @RequestParam(defaultValue = "") List<String> of,
            @RequestParam MultiValueMap<String, String> parameters, Locale language, Model model,
            HttpServletRequest request) {
        OpenListings.Open open = listings.open(listing, SignedIn.currentVisitor(), parameters);
        pace.spend(request.getRemoteAddr(), Pace.PAGE);
        Place place = Place.onSite(open.page().key().name(), listing);
        model.addAttribute("menus", pace.inTurn(request.getRemoteAddr(),
                () -> sheets.counted(open.asking(), place, of, language)));
        return "sheet/sheet :: value-counts";
    }

    /** Typing changes the address in place; everything else is a step that Back undoes. */
    private static void tellAddress(HttpServletResponse response, String source, String address) {
        String header = source.startsWith("input") ? "HX-Replace-Url" : "HX-Push-Url";
        response.setHeader(header, address);
    }
}
