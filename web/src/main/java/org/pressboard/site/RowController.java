package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.pressboard.sheet.Offered;
import org.pressboard.sheet.Opened;
import org.pressboard.pace.Pace;
import org.pressboard.sheet.Sheets;
import org.pressboard.stand.Addresses;
import org.pressboard.stand.Asking;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.OpenForm;
import org.pressboard.stand.OpenPage;
import org.pressboard.stand.Stand;
import org.pressboard.stand.Stands;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriUtils;

/** A row at an address of its own, for a page and for slips over a list. */
@Controller
class RowController {

    private final Stands stands;
    private final Sheets sheets;
    private final Pace pace;

    RowController(Stands stands, Sheets sheets, Pace pace) {
        this.stands = stands;
        this.sheets = sheets;
        this.pace = pace;
    }

    /** A key that names no row, and one of a row that this visitor may not see, are the same to them. */
    @GetMapping({"/{page:[a-z][a-z0-9-]*}/{key}", Stands.PROOF + "/{key}", Stands.EDITION + "/{key}", Stands.SEEN + "/{key}"})
    Object row(Visit visit, @PathVariable Map<String, String> at, @RequestParam MultiValueMap<String, String> parameters, Model model,
            HttpServletRequest request, HttpServletResponse response) {
        OpenPage on = stands.page(visit, request);
        String key = Objects.requireNonNull(at.get("key"));
        if (on.stand() instanceof Stand.Published && !on.page().key().name().equals(at.get("page"))) {
            String uri = request.getRequestURI();
            return FormerAddress.leadingOn(on.stand().page() + uri.substring(uri.indexOf('/', 1)), request);
        }
        pace.spend(visit.address(), Pace.PAGE);
        Opened opened = pace.inTurn(visit.address(), () -> find(on, key, parameters))
                .orElseThrow(() -> new NotThere("not-there.one-row"));
        response.setHeader("Cache-Control", "no-cache");
        model.addAttribute("page", on.page());
        model.addAttribute(SiteFrames.DRAWN, on.visit());
        model.addAttribute("opened", opened);
        model.addAttribute("about", about(on, opened, key));
        model.addAttribute("thanks", parameters.containsKey("sent") ? "form.thanks" : null);
        return "site/row";
    }

    /** In the first listing of the page that has the row. */
    private Optional<Opened> find(OpenPage on, String key, MultiValueMap<String, String> parameters) {
        return on.askings(parameters).stream().filter(Asking::isAllowed).flatMap(asking -> sheets.open(asking, key).stream())
                .findFirst();
    }

    /** The forms on the page that ask for a row of its table, with this row as the answer, where rows have no button for it. */
    private static List<Offered.Link> about(OpenPage on, Opened opened, String key) {
        return on.forms().stream().filter(open -> !on.page().hasButton(open.form().key(), opened.table()))
                .flatMap(open -> open.form().askingFor(opened.table(), open.table()).stream().limit(1)
                        .map(field -> new Offered.Link(answered(open, field.key().name(), opened.title(), key), open.form().title())))
                .toList();
    }

    private static String answered(OpenForm open, String field, String called, String key) {
        return open.address().isEmpty() ? Addresses.NOWHERE : open.address() + "?v." + field + "="
                + UriUtils.encode(called, StandardCharsets.UTF_8) + "&back=" + UriUtils.encode(key, StandardCharsets.UTF_8);
    }
}
