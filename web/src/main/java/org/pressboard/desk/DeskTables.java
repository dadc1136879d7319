package org.pressboard.desk;

import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.pressboard.bulk.Intakes;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.DraftedPage;
import org.pressboard.desk.table.TableListing;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Total;
import org.pressboard.rows.Rows;
import org.pressboard.schema.Bin;
import org.pressboard.schema.NewTables;
import org.pressboard.schema.TableChanges;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.visit.Visit;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The tab with the tables: what there is, what waits to become one, and what is in the bin. */
@Controller
class DeskTables {

    private final Catalog catalog;
    private final Rows rows;
    private final Intakes intakes;
    private final TableChanges changes;
    private final NewTables fresh;
    private final Bin bin;
    private final MessageSource messages;

    DeskTables(Catalog catalog, Rows rows, Intakes intakes, TableChanges changes, NewTables fresh, Bin bin,
            MessageSource messages) {
        this.fresh = fresh;
        this.catalog = catalog;
        this.rows = rows;
        this.intakes = intakes;
        this.changes = changes;
        this.bin = bin;
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
    String tables(Visit visit, Locale language, Model model) {
        List<DraftedPage> pages = List.copyOf(catalog.pages().values());
        Words words = new Words(messages, language);
        model.addAttribute("tables", visit.site().tables().all().stream()
                .map(table -> entry(visit, table, pages, words)).toList());
        model.addAttribute("waiting", intakes.waiting().stream().map(intake -> new WaitingFile(intake.id(),
                intake.fileName(), Moments.written(intake.createdAt()),
                words.say("desk.status." + (intake.isInterrupted() ? "FAILED" : intake.status().name())))).toList());
        model.addAttribute("binned", bin.tables().entrySet().stream()
                .map(removed -> Binned.of(removed.getKey(), removed.getValue(), Words.ofRequest(messages))).toList());
        return "desk/tables";
    }

    private TableEntry entry(Visit visit, Table table, List<DraftedPage> pages, Words words) {
        List<DraftedPage> on = pages.stream().filter(page -> page.lists(table.key())).toList();
        Total found = rows.count(TableListing.everything(visit, table.key()).rowQuery(), visit.language());
        return new TableEntry(table, words.count(found), visit.site().openness(table.key()), on);
    }

    /** Makes a table from nothing: with one field, by which its rows are known. */
    @PostMapping("/desk/tables")
    String make(Visit visit, @RequestParam String label, Locale language, RedirectAttributes flash) {
        String name = label.strip();
        if (name.isEmpty() || name.length() > Table.LONGEST_LABEL) {
            flash.addFlashAttribute("problem", new Words(messages, language).say("desk.table.no-name"));
            return "redirect:/desk/tables";
        }
        Table table = fresh.make(name, new Fields(List.of(Field.first(new Words(messages, language).say("desk.field.first")))),
                visit.author());
        return "redirect:/desk/tables/" + table.key() + "/fields";
    }

    @PostMapping("/desk/tables/{key}/put-back")
    String putBack(Visit visit, @PathVariable String key) {
        changes.putBack(new TableKey(key), visit.author());
        return "redirect:/desk/tables/" + key;
    }
}
