package org.pressboard.desk.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.desk.condition.ConditionDesk;
import org.pressboard.desk.condition.ConditionWords;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.desk.publish.DeskPublish;
import org.pressboard.desk.table.Ungranted;
import org.pressboard.edition.Page;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Sending;
import org.pressboard.listing.Suggestion;
import org.pressboard.listing.TakeAway;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.SeenBy;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Visit;
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

    private static final String AT = "/desk/pages/{page}/{listing}";

    private final Catalog catalog;
    private final Drafts drafts;
    private final ConditionDesk conditions;
    private final BenchWords words;
    private final Ungranted ungranted;
    private final SeenBy seenBy;
    private final DeskPublish publish;

    Bench(Catalog catalog, Drafts drafts, ConditionDesk conditions, BenchWords words, SeenBy seenBy, Ungranted ungranted,
            DeskPublish publish) {
        this.publish = publish;
        this.ungranted = ungranted;
        this.seenBy = seenBy;
        this.catalog = catalog;
        this.drafts = drafts;
        this.conditions = conditions;
        this.words = words;
    }

    @GetMapping(AT)
    String bench(Visit visit, @PathVariable String page, @PathVariable String listing, Model model) {
        show(visit, page, listing, model);
        return "desk/bench/bench";
    }

    /** The ticket again where somebody else has changed it; else nothing. */
    @GetMapping(AT + "/ticket")
    @Nullable String ticket(Visit visit, @PathVariable String page, @PathVariable String listing, @RequestParam(defaultValue = "") String mark,
            Model model, HttpServletResponse response) {
        if (drafts.mark(DraftedPages.key(page)).equals(mark)) {
            response.setStatus(HttpStatus.NO_CONTENT.value());
            return null;
        }
        return shown(visit, page, listing, model);
    }

    /** Changes one word of the ticket. */
    @PostMapping(AT + "/change")
    String change(Visit visit, @PathVariable String page, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        Listing before = DraftedPages.listing(draft, listing);
        Tables tables = catalog.tables();
        String what = Objects.requireNonNullElse(parameters.getFirst("do"), "");
        try {
            drafts.change(draft.key(), visit.author().who(), now -> now.changing(before.key(), it -> changed(now, tables, it, what,
                    parameters)));
        } catch (ProblemsFound against) {
            if (what.startsWith("keep.")) {
                conditions.begun(before.keep(), operands(tables, before), parameters, model);
            }
            model.addAttribute("problem", words.said(against));
        }
        return shown(visit, page, listing, model);
    }

    /** The inputs of a statement that is yet to be added. */
    @GetMapping(AT + "/statement")
    String statement(@PathVariable String page, @PathVariable String listing,
            @RequestParam MultiValueMap<String, String> parameters, Model model) {
        Listing found = DraftedPages.listing(DraftedPages.draft(catalog, page), listing);
        Tables tables = catalog.tables();
        boolean isBegun = conditions.begin(found.keep(), operands(tables, found), parameters,
                "/desk/pages/" + page + "/" + listing, model);
        return isBegun && "mark".equals(parameters.getFirst("for")) ? "desk/bench/marks :: fresh-mark"
                : ConditionDesk.template(isBegun);
    }

    private Listing changed(Page page, Tables tables, Listing listing, String what, MultiValueMap<String,
            String> parameters) {
        if (what.equals("take.table")) {
            return tables.all().stream().filter(each -> each.key().name().equals(parameters.getFirst("value"))).findFirst()
                    .map(table -> taking(listing, table)).orElse(listing);
        }
        Table table = tables.get(listing.table());
        if (what.startsWith("keep.")) {
            return listing.keeping(conditions.sent(operands(tables, listing), parameters).of(listing.keep(), what));
        }
        if (what.equals("dress.mark")) {
            return listing.with(listing.dress().marking(new MarkChange(parameters).adding(listing.dress().marks(),
                    conditions.sent(operands(tables, listing), parameters).clause().condition())));
        }
        return new ListingChange(table, buttons(tables, table), sendable(page, tables, listing.table()), parameters).of(listing, what);
    }

    /** The forms of the page that ask for a row of the table. */
    private static List<Sending> sendable(Page page, Tables tables, TableKey table) {
        return page.forms().stream().flatMap(form -> tables.find(form.table()).stream()
                .flatMap(into -> form.askingFor(table, into).stream().filter(field -> !field.type().isSeveral()).limit(1)
                        .map(field -> new Sending(form.key().name(), into.key(), field.key(), form.title())))).toList();
    }

    private static Operands operands(Tables tables, Listing listing) {
        return new Operands(tables, wide(tables, listing), Operands.Use.KEEP);
    }

    /** What a button can set a field to. */
    private OperandChoices buttons(Tables tables, Table table) {
        return new OperandChoices(new Operands(tables, table, Operands.Use.BUTTON), words.desk());
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
    String undo(Visit visit, @PathVariable String page, @PathVariable String listing, Model model) {
        drafts.undo(DraftedPages.draft(catalog, page).key());
        return shown(visit, page, listing, model);
    }

    @PostMapping(AT + "/redo")
    String redo(Visit visit, @PathVariable String page, @PathVariable String listing, Model model) {
        drafts.redo(DraftedPages.draft(catalog, page).key());
        return shown(visit, page, listing, model);
    }

    String shown(Visit visit, String page, String listing, Model model) {
        show(visit, page, listing, model);
        return "desk/bench/ticket :: ticket";
    }

    private void show(Visit visit, String page, String key, Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        Listing listing = DraftedPages.listing(draft, key);
        Tables tables = catalog.tables();
        Table table = tables.find(listing.table()).orElseThrow(() -> new NotThere("not-there.table"));
        Table wide = wide(tables, listing);
        ConditionWords said = conditions.words(tables, wide);
        Listing there = listing.of(tables, wide);
        model.addAttribute("page", draft);
        model.addAttribute("ticket", new Ticket(draft.key().name(), there, table, conditions.statements(listing.keep(),
                operands(tables, listing), model), said.of(listing.keep()),
                there.dress().marks().stream().map(mark -> said.of(mark.when())).toList(),
                drafts.mark(draft.key()), words.steps(drafts, draft.key(), tables)));
        model.addAttribute("ways", buttons(tables, table));
        model.addAttribute("publishing", publish.beside(visit, draft));
        model.addAttribute("ungranted", ungranted.of(listing));
        model.addAttribute("sendable", sendable(draft, tables, listing.table()));
        model.addAttribute("referring", FormsAbout.referring(tables, table));
        model.addAttribute("tables", tables.all());
        seenBy.offer(tables, model);
        model.addAttribute("formats", TakeAway.values());
        model.addAttribute("words", words.desk());
    }
}
