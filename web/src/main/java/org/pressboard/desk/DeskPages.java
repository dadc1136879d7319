package org.pressboard.desk;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.bulk.Intake;
import org.pressboard.bulk.Intakes;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.control.FormDesk;
import org.pressboard.desk.publish.Audiences;
import org.pressboard.desk.publish.DeskPublish;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.part.PageLines;
import org.pressboard.schema.Indexes;
import org.pressboard.schema.Publisher;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.Sheets;
import org.pressboard.words.Words;
import org.pressboard.stand.Asking;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.OpenPage;
import org.pressboard.stand.Stand;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.unbescape.html.HtmlEscape;

/** A page at the desk: its draft as it will look, and publishing it. */
@Controller
class DeskPages {

    private static final int MOST_ASIDE_LISTED = 20;

    private final Catalog catalog;
    private final Publisher publisher;
    private final Sheets sheets;
    private final Intakes intakes;
    private final MessageSource messages;
    private final DeskPublish publish;
    private final PageNotes notes;
    private final FormDesk forms;
    private final PageLines lines;

    DeskPages(Catalog catalog, Publisher publisher, Sheets sheets, Intakes intakes, MessageSource messages,
            DeskPublish publish, PageNotes notes, FormDesk forms, PageLines lines) {
        this.lines = lines;
        this.forms = forms;
        this.notes = notes;
        this.publish = publish;
        this.catalog = catalog;
        this.publisher = publisher;
        this.sheets = sheets;
        this.intakes = intakes;
        this.messages = messages;
    }

    /** A row kept aside: its line in the file and why. */
    public record AsideLine(String line, List<String> reasons) {
    }

    @GetMapping("/desk/pages/{key}")
    String page(Visit visit, @PathVariable String key, @RequestParam MultiValueMap<String, String> parameters,
            @RequestParam @Nullable UUID intake, Model model) {
        DraftedPage page = DraftedPages.find(catalog, key);
        model.addAttribute("page", page);
        model.addAttribute("publishing", publish.beside(visit, page.draft()));
        model.addAttribute("audiences", new Audiences(catalog.groups(), Words.ofRequest(messages)).choices());
        model.addAttribute("letIn", Audiences.names(page.draft().access().audiences()));
        model.addAttribute("allTables", catalog.tables().all());
        OpenPage on = open(visit, page);
        Map<ListingKey, Sheet> drawn = new LinkedHashMap<>();
        on.askings(parameters).forEach(asking -> drawn.put(asking.listing().key(), sheets.sheet(asking)));
        model.addAttribute("lines", lines.lines(on, drawn, forms.proofs(on)));
        model.addAttribute("binned", drawn.isEmpty() && !page.draft().listings().isEmpty());
        model.addAttribute("indexes", indexes(page));
        Optional.ofNullable(intake).flatMap(intakes::find).ifPresent(done -> showIntake(model, done));
        model.addAttribute("shown", listings(page).map(this::shown).toList());
        notes.tell(visit.site(), page, model);
        model.addAttribute("words", Words.ofRequest(messages));
        return "desk/page";
    }

    private void showIntake(Model model, Intake done) {
        Words words = Words.ofRequest(messages);
        List<AsideLine> aside = new ArrayList<>();
        if (done.rowsAside() > 0) {
            intakes.keptAside(done.id(), MOST_ASIDE_LISTED, kept -> aside.add(new AsideLine(words.count(kept.line()),
                    kept.reasons().stream().map(words::say).toList())));
        }
        model.addAttribute("intake", done);
        model.addAttribute("aside", aside);
    }

    @GetMapping("/desk/pages/{key}/{listing}/rows")
    String rows(Visit visit, @PathVariable String key, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters, Model model, HttpServletResponse response) {
        DraftedPage page = DraftedPages.find(catalog, key);
        Sheet sheet = sheets.sheet(asking(visit, page, listing, parameters));
        response.setHeader("HX-Replace-Url", sheet.address());
        model.addAttribute("sheet", sheet);
        return "sheet/sheet :: sheet";
    }

    @GetMapping("/desk/pages/{key}/{listing}/rows/totals")
    @ResponseBody String totals(Visit visit, @PathVariable String key, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters) {
        DraftedPage page = DraftedPages.find(catalog, key);
        return HtmlEscape.escapeHtml4Xml(sheets.total(asking(visit, page, listing, parameters)));
    }

    @GetMapping("/desk/indexes/{key}")
    String indexes(@PathVariable String key, Model model) {
        DraftedPage page = DraftedPages.find(catalog, key);
        model.addAttribute("page", page);
        model.addAttribute("indexes", indexes(page));
        return "desk/page :: indexes";
    }

    private Stream<Listing> listings(DraftedPage page) {
        return page.listingsAmong(catalog.tables());
    }

    private ShownFields shown(Listing listing) {
        return ShownFields.of(listing, catalog.table(listing.table()).orElseThrow());
    }

    /** Its draft, as whoever works at the desk sees it. */
    private static OpenPage open(Visit visit, DraftedPage page) {
        return new OpenPage(new Stand.AtDesk(page.draft().key()), page.draft().among(visit.site().tables()), visit);
    }

    private Asking asking(Visit visit, DraftedPage page, String listing, MultiValueMap<String, String> parameters) {
        return open(visit, page).asking(DraftedPages.listingKey(listing), parameters);
    }

    private Indexes.Progress indexes(DraftedPage page) {
        if (!page.isPublished()) {
            return new Indexes.Progress(0, 0);
        }
        List<Indexes.Progress> all = listings(page).map(publisher::indexProgress).toList();
        return new Indexes.Progress(all.stream().mapToInt(Indexes.Progress::ready).sum(),
                all.stream().mapToInt(Indexes.Progress::wanted).sum());
    }
}
