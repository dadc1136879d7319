package org.pressboard.desk.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.condition.Clause;
import org.pressboard.desk.DraftedPages;
import org.pressboard.edition.Differences;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Suggestion;
import org.pressboard.listing.TakeAway;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.RowPicker;
import org.pressboard.sheet.Moments;
import org.pressboard.sheet.NotThere;
import org.pressboard.signin.SignedIn;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.TypedForm;
import org.pressboard.value.FieldKey;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The bench: the ticket of a listing, whose words are changed where they stand, and the proof beside it. */
@Controller
class Bench {

    private static final int STEPS = 30;
    private static final String AT = "/desk/pages/{page}/{listing}";

    private final Catalog catalog;
    private final Drafts drafts;
    private final RowPicker picker;
    private final BenchWords words;

    Bench(Catalog catalog, Drafts drafts, RowPicker picker, BenchWords words) {
        this.catalog = catalog;
        this.drafts = drafts;
        this.picker = picker;
        this.words = words;
    }

    @GetMapping(AT)
    String bench(@PathVariable String page, @PathVariable String listing, Model model) {
        show(page, listing, model);
        return "desk/bench/bench";
    }

    /** The ticket again where somebody else has changed it; else nothing. */
    @GetMapping(AT + "/ticket")
    String ticket(@PathVariable String page, @PathVariable String listing, @RequestParam(defaultValue = "") String mark,
            Model model, HttpServletResponse response) {
        if (drafts.mark(DraftedPages.find(catalog, page).draft().key()).equals(mark)) {
            response.setStatus(HttpStatus.NO_CONTENT.value());
        }
        return shown(page, listing, model);
    }

    /** Changes one word of the ticket. */
    @PostMapping(AT + "/change")
    String change(@PathVariable String page, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Page draft = DraftedPages.find(catalog, page).draft();
        Listing before = DraftedPages.listing(draft, listing);
        Tables tables = catalog.tables();
        String what = Objects.requireNonNullElse(parameters.getFirst("do"), "");
        try {
            drafts.change(draft.key(), who(), now -> now.changing(before.key(), it -> changed(tables, it, what, parameters)));
        } catch (ProblemsFound against) {
            if (what.startsWith("keep.")) {
                begun(tables, before, parameters, model);
            }
            model.addAttribute("problem", words.desk().say(against.problems().all().getFirst()));
        }
        return shown(page, listing, model);
    }

    /** Whoever compares otherwise has yet to say with what: the statement stays as it is until they have. */
    private void begun(Tables tables, Listing listing, MultiValueMap<String, String> parameters, Model model) {
        Clause clause = keepChange(wide(tables, listing), parameters).begun();
        if ("keep.set".equals(parameters.getFirst("do"))) {
            model.addAttribute("begun",
                    new Keep.Begun(Objects.requireNonNullElse(parameters.getFirst("at"), ""), clause));
        } else {
            fresh(tables, listing, clause, model);
        }
    }

    private void fresh(Tables tables, Listing listing, Clause clause, Model model) {
        Table table = wide(tables, listing);
        model.addAttribute("statement", Keep.statement(table.field(clause.field()), clause, conditions(tables, table)));
        model.addAttribute("groups", Keep.groups(listing.keep()));
    }

    private KeepChange keepChange(Table table, MultiValueMap<String, String> parameters) {
        return new KeepChange(table, parameters, TypedForm.of(catalog.published().site().language()));
    }

    /** The inputs of a statement that is yet to be added. */
    @GetMapping(AT + "/statement")
    String statement(@PathVariable String page, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Listing found = DraftedPages.listing(DraftedPages.find(catalog, page).draft(), listing);
        Tables tables = catalog.tables();
        if (Objects.requireNonNullElse(parameters.getFirst("field"), "").isEmpty()) {
            return "desk/bench/keep :: nothing";
        }
        fresh(tables, found, keepChange(wide(tables, found), parameters).begun(), model);
        model.addAttribute("at", "/desk/pages/" + page + "/" + listing);
        model.addAttribute("words", words.desk());
        return "desk/bench/keep :: fresh" + ("mark".equals(parameters.getFirst("for")) ? "-mark" : "");
    }

    /** The rows of a table that are called so. */
    @GetMapping(AT + "/rows-of/{table}")
    String rowsOf(@PathVariable String page, @PathVariable String listing, @PathVariable String table,
            @RequestParam(defaultValue = "") String called, Model model) {
        Tables tables = catalog.tables();
        Table of = tables.all().stream().filter(each -> each.key().name().equals(table)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.table"));
        model.addAttribute("rows", picker.find(tables, of, called, catalog.published().site().language()).stream()
                .map(row -> new Keep.Option(Long.toString(row.row()), row.heading())).toList());
        return "desk/bench/keep :: rows";
    }

    private Listing changed(Tables tables, Listing listing, String what, MultiValueMap<String, String> parameters) {
        if (what.equals("take.table")) {
            return tables.all().stream().filter(each -> each.key().name().equals(parameters.getFirst("value"))).findFirst()
                    .map(table -> taking(listing, table)).orElse(listing);
        }
        Table table = tables.get(listing.table());
        if (what.startsWith("keep.")) {
            return listing.keeping(keepChange(wide(tables, listing), parameters).of(listing.keep(), what));
        }
        if (what.equals("dress.mark")) {
            return listing.with(listing.dress().marking(new MarkChange(parameters).adding(listing.dress().marks(),
                    keepChange(wide(tables, listing), parameters).clause().condition())));
        }
        return new ListingChange(table, parameters).of(listing, what);
    }

    /** The table with all fields of others that conditions can ask about. */
    private static Table wide(Tables tables, Listing listing) {
        Table table = tables.get(listing.table());
        Set<FieldKey> reached = new LinkedHashSet<>(tables.within(table));
        reached.addAll(listing.reached());
        return tables.reaching(table, reached);
    }

    /** Of another table nothing that was said of the one holds. */
    private static Listing taking(Listing listing, Table table) {
        return listing.table().equals(table.key()) ? listing : Suggestion.forTable(table, listing.key(), field -> false)
                .takenAwayAs(listing.takeAway());
    }

    @PostMapping(AT + "/undo")
    String undo(@PathVariable String page, @PathVariable String listing, Model model) {
        drafts.undo(DraftedPages.find(catalog, page).draft().key());
        return shown(page, listing, model);
    }

    @PostMapping(AT + "/redo")
    String redo(@PathVariable String page, @PathVariable String listing, Model model) {
        drafts.redo(DraftedPages.find(catalog, page).draft().key());
        return shown(page, listing, model);
    }

    private String shown(String page, String listing, Model model) {
        show(page, listing, model);
        return "desk/bench/ticket :: ticket";
    }

    private void show(String page, String key, Model model) {
        Page draft = DraftedPages.find(catalog, page).draft();
        Listing listing = DraftedPages.listing(draft, key);
        Tables tables = catalog.tables();
        Table table = tables.find(listing.table()).orElseThrow(() -> new NotThere("not-there.table"));
        Table wide = wide(tables, listing);
        ConditionWords conditions = conditions(tables, wide);
        Listing there = listing.of(wide);
        model.addAttribute("page", draft);
        model.addAttribute("ticket", new Ticket(draft.key().name(), there, table, Keep.of(listing.keep(), wide, conditions,
                (Keep.Begun) model.getAttribute("begun")),
                conditions.of(listing.keep()), there.dress().marks().stream().map(mark -> conditions.of(mark.when())).toList(),
                drafts.mark(draft.key()), steps(draft.key(), tables)));
        model.addAttribute("tables", tables.all());
        model.addAttribute("formats", TakeAway.values());
        model.addAttribute("words", words.desk());
    }

    private List<Ticket.StepLine> steps(PageKey page, Tables tables) {
        DifferenceWords differences = words.differences(tables, language());
        return drafts.steps(page, STEPS).stream().map(step -> new Ticket.StepLine(
                differences.of(Differences.between(step.before(), step.after(), tables)), Moments.written(step.at()),
                step.who(), step.takenBack())).toList();
    }

    private ConditionWords conditions(Tables tables, Table table) {
        return words.conditions(tables, table, language());
    }

    private Locale language() {
        return catalog.published().site().language();
    }

    private static String who() {
        return SignedIn.author().who();
    }
}
