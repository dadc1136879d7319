package org.pressboard.desk;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.pressboard.bulk.Intakes;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Openness;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.schema.Publisher;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Place;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.Sheets;
import org.pressboard.sheet.Words;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.FieldKey;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The tab with the tables: what there is, its rows, and who may see them. */
@Controller
class DeskTables {

    private final Catalog catalog;
    private final Publisher publisher;
    private final Sheets sheets;
    private final Intakes intakes;
    private final MessageSource messages;

    DeskTables(Catalog catalog, Publisher publisher, Sheets sheets, Intakes intakes, MessageSource messages) {
        this.catalog = catalog;
        this.publisher = publisher;
        this.sheets = sheets;
        this.intakes = intakes;
        this.messages = messages;
    }

    /** A file that waits as the tab lists it. */
    public record WaitingFile(UUID id, String name, String since, String status) {
    }

    /** A table as the tab lists it. */
    public record TableEntry(Table table, String rows, Openness openness, List<DraftedPage> pages) {
    }

    @GetMapping("/desk")
    String desk() {
        return "redirect:/desk/tables";
    }

    @GetMapping("/desk/tables")
    String tables(Locale language, Model model) {
        Map<?, DraftedPage> pages = catalog.pages();
        model.addAttribute("tables", catalog.tables().stream()
                .map(table -> entry(table, List.copyOf(pages.values()), sheets.count(all(table), language))).toList());
        Words words = new Words(messages, language);
        model.addAttribute("waiting", intakes.waiting().stream().map(intake -> new WaitingFile(intake.id(),
                intake.fileName(), Moments.written(intake.createdAt()),
                words.say("desk.status." + (intake.isInterrupted() ? "FAILED" : intake.status().name())))).toList());
        return "desk/tables";
    }

    @GetMapping("/desk/tables/{key}")
    String table(@PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Locale language,
            Model model) {
        Table table = find(key);
        model.addAttribute("entry", entry(table, List.copyOf(catalog.pages().values()),
                sheets.countToEnd(all(table), language)));
        model.addAttribute("sheet", sheet(table, parameters));
        return "desk/table";
    }

    @GetMapping("/desk/tables/{key}/rows")
    String rows(@PathVariable String key, @RequestParam MultiValueMap<String, String> parameters, Model model,
            HttpServletResponse response) {
        Sheet sheet = sheet(find(key), parameters);
        response.setHeader("HX-Replace-Url", sheet.place().page() + sheet.query());
        model.addAttribute("sheet", sheet);
        return "sheet/sheet :: sheet";
    }

    @PostMapping("/desk/tables/{key}/see")
    String see(@PathVariable String key, @RequestParam Openness see, RedirectAttributes flash) {
        publisher.open(find(key).key(), see);
        flash.addFlashAttribute("changed", true);
        return "redirect:/desk/tables/" + key;
    }

    /** Changes what the table and its fields are called. */
    @PostMapping("/desk/tables/{key}/labels")
    String relabel(@PathVariable String key, @RequestParam Map<String, String> parameters, Locale language,
            RedirectAttributes flash) {
        Table table = find(key);
        Labels labels = Labels.sent(table, parameters);
        if (labels.problem().isPresent()) {
            flash.addFlashAttribute("problem", new Words(messages, language).say("desk." + labels.problem().get().code(),
                    labels.problem().get().details().toArray()));
        } else {
            publisher.relabel(labels.relabelled());
            flash.addFlashAttribute("relabelled", true);
        }
        return "redirect:/desk/tables/" + key;
    }

    @PostMapping("/desk/tables/{key}/remove")
    String remove(@PathVariable String key, RedirectAttributes flash) {
        Table table = find(key);
        publisher.remove(table.key());
        flash.addFlashAttribute("removed", table.label());
        return "redirect:/desk/tables";
    }

    private Table find(String key) {
        return catalog.tables().stream().filter(table -> table.key().name().equals(key)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.table"));
    }

    private TableEntry entry(Table table, List<DraftedPage> pages, String rows) {
        List<DraftedPage> on = pages.stream().filter(page -> page.draft().listings().stream()
                .anyMatch(listing -> listing.table().equals(table.key()))).toList();
        return new TableEntry(table, rows, Openness.of(catalog.grants(table.key())), on);
    }

    private Sheet sheet(Table table, MultiValueMap<String, String> parameters) {
        String address = "/desk/tables/" + table.key();
        return sheets.sheet(asking(table, parameters), Place.atDesk(address, address + "/rows"),
                catalog.published().site().language());
    }

    private Asking all(Table table) {
        return asking(table, new LinkedMultiValueMap<>());
    }

    private Asking asking(Table table, MultiValueMap<String, String> parameters) {
        return Asking.of(allOf(table), table, SignedIn.currentVisitor(), new Decision.Allowed(Condition.ALWAYS),
                AddressPart.whole(parameters));
    }

    /** Every field, in the order in which the rows came. */
    private static Listing allOf(Table table) {
        List<FieldKey> all = table.fields().stream().map(Field::key).toList();
        return new Listing(new ListingKey("all"), table.key(), Condition.ALWAYS, all,
                Suggestion.searchable(table.fields(), all), Suggestion.narrowable(table.fields(), all), List.of(),
                Listing.USUAL_PAGE_SIZE, false);
    }
}
