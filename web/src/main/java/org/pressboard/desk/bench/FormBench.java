package org.pressboard.desk.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.desk.publish.DeskPublish;
import org.pressboard.desk.table.FreshFields;
import org.pressboard.desk.table.Ungranted;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Group;
import org.pressboard.grant.Verb;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.NewTables;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.SeenBy;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
import org.pressboard.words.Typed;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Forms: which there are, and for each its ticket with the proof beside it. */
@Controller
class FormBench {

    private static final String AT = "/desk/forms/{page}/{form}";

    private final Catalog catalog;
    private final Drafts drafts;
    private final BenchWords words;
    private final Ungranted ungranted;
    private final SeenBy seenBy;
    private final DeskPublish publish;
    private final NewTables fresh;

    FormBench(Catalog catalog, Drafts drafts, BenchWords words, SeenBy seenBy, Ungranted ungranted,
            DeskPublish publish, NewTables fresh) {
        this.fresh = fresh;
        this.publish = publish;
        this.ungranted = ungranted;
        this.seenBy = seenBy;
        this.catalog = catalog;
        this.drafts = drafts;
        this.words = words;
    }

    /** A form and the page that it is on. */
    public record FormLine(Page page, Form form, String into) {
    }

    @GetMapping("/desk/forms")
    String forms(Model model) {
        Tables tables = catalog.tables();
        List<Page> pages = catalog.drafts();
        model.addAttribute("forms", pages.stream().flatMap(page -> page.forms().stream().flatMap(form ->
                tables.find(form.table()).stream().map(table -> new FormLine(page, form, table.label())))).toList());
        model.addAttribute("pages", pages);
        model.addAttribute("tables", tables.all());
        model.addAttribute("words", words.desk());
        return "desk/forms";
    }

    /** Makes a form for rows of a table, on a page that is there or on one of its own, and goes on to its ticket. */
    @PostMapping("/desk/forms")
    String make(Visit visit, @RequestParam String table, @RequestParam(defaultValue = "") String page,
            @RequestParam(defaultValue = "") String title) {
        if (table.isEmpty()) {
            return makeWithTable(visit, title);
        }
        Table into = catalog.tables().all().stream().filter(each -> each.key().name().equals(table)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.table"));
        String called = Typed.within(title.isBlank() ? into.label() : title, Form.LONGEST_TITLE);
        if (page.isEmpty()) {
            PageKey key = PageKey.from(called, catalog.pageKeys());
            Page bare = new Page(key, called, List.of());
            Form form = bare.suggested(into, called);
            catalog.addPage(bare.adding(form));
            return "redirect:/desk/forms/" + key + "/" + form.key();
        }
        Page draft = DraftedPages.draft(catalog, page);
        Form form = draft.suggested(into, called);
        drafts.change(draft.key(), visit.author().who(), now -> now.adding(form));
        return "redirect:/desk/forms/" + page + "/" + form.key();
    }

    /** Makes a form whose questions are to become the fields of a table of its own, which the owner alone may make. */
    private String makeWithTable(Visit visit, String title) {
        String called = Typed.within(title, Form.LONGEST_TITLE);
        Who who = visit.who();
        if (called.isEmpty() || who == null || !who.isOwner()) {
            throw new NotThere("not-there.table");
        }
        Page page = fresh.forForm(called, new Fields(List.of(Field.first(words.desk().say("desk.field.first")))), visit.author());
        return "redirect:/desk/forms/" + page.key() + "/" + page.forms().getFirst().key();
    }

    /** Takes the form off its page. */
    @PostMapping(AT + "/off")
    String off(Visit visit, @PathVariable String page, @PathVariable String form) {
        Page draft = DraftedPages.draft(catalog, page);
        FormKey key = find(draft, form).key();
        drafts.change(draft.key(), visit.author().who(), now -> now.holding(now.forms().stream().filter(each -> !each.key()
                .equals(key)).toList()));
        return "redirect:/desk/forms";
    }

    @GetMapping(AT)
    String bench(Visit visit, @PathVariable String page, @PathVariable String form, Model model) {
        show(visit, page, form, model);
        return "desk/bench/form";
    }

    /** The ticket again where somebody else has changed it; else nothing. */
    @GetMapping(AT + "/ticket")
    @Nullable String ticket(Visit visit, @PathVariable String page, @PathVariable String form, @RequestParam(defaultValue = "") String mark,
            Model model, HttpServletResponse response) {
        if (drafts.mark(DraftedPages.key(page)).equals(mark)) {
            response.setStatus(HttpStatus.NO_CONTENT.value());
            return null;
        }
        return shown(visit, page, form, model);
    }

    /** Changes one word of the ticket. */
    @PostMapping(AT + "/change")
    String change(Visit visit, @PathVariable String page, @PathVariable String form, @RequestParam MultiValueMap<String,
            String> parameters,
            Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        Form before = find(draft, form);
        OperandChoices choices = choices(before);
        String what = Objects.requireNonNullElse(parameters.getFirst("do"), "");
        try {
            drafts.change(draft.key(), visit.author().who(), now -> now.changing(before.key(), it -> new FormChange(choices, parameters).of(it, what)));
        } catch (ProblemsFound against) {
            model.addAttribute("problem", said(against));
        }
        return shown(visit, page, form, model);
    }

    @PostMapping(AT + "/undo")
    String undo(Visit visit, @PathVariable String page, @PathVariable String form, Model model) {
        drafts.undo(DraftedPages.draft(catalog, page).key());
        return shown(visit, page, form, model);
    }

    @PostMapping(AT + "/redo")
    String redo(Visit visit, @PathVariable String page, @PathVariable String form, Model model) {
        drafts.redo(DraftedPages.draft(catalog, page).key());
        return shown(visit, page, form, model);
    }

    String shown(Visit visit, String page, String form, Model model) {
        show(visit, page, form, model);
        return "desk/bench/form-ticket :: ticket";
    }

    private void show(Visit visit, String page, String key, Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        Tables tables = catalog.tables();
        Form form = find(draft, key);
        Table table = tables.find(form.table()).orElseThrow(() -> new NotThere("not-there.table"));
        model.addAttribute("page", draft);
        model.addAttribute("pages", catalog.drafts());
        model.addAttribute("ticket", new FormTicket(draft.key().name(), form.of(tables, table), choices(form), granted(table),
                drafts.mark(draft.key()), words.steps(drafts, draft.key(), tables)));
        model.addAttribute("kinds", FreshFields.KINDS);
        model.addAttribute("publishing", publish.beside(visit, draft));
        model.addAttribute("ungranted", ungranted.of(form));
        seenBy.offer(tables, model);
        model.addAttribute("words", words.desk());
    }

    String said(ProblemsFound against) {
        return words.said(against);
    }

    /** What the form can set a field to. */
    private OperandChoices choices(Form form) {
        Tables tables = catalog.tables();
        return new OperandChoices(new Operands(tables, tables.get(form.table()), Operands.Use.FORM), words.desk());
    }

    /** Who may add rows to the table, in words; empty: nobody but staff. */
    private String granted(Table table) {
        List<Group> groups = catalog.groups();
        return catalog.grants(table.key()).all().stream().filter(grant -> grant.verb() == Verb.ADD).map(Grant::audience)
                .map(audience -> switch (audience) {
                    case Audience.Everyone everyone -> words.desk().say("form.who.everyone");
                    case Audience.Members members -> words.desk().say("form.who.members");
                    case Audience.Those those -> groups.stream().filter(group -> group.key().equals(those.group()))
                            .map(Group::label).findFirst().orElse("");
                }).filter(said -> !said.isEmpty()).distinct().collect(Collectors.joining(", "));
    }

    private static Form find(Page draft, String key) {
        return Optional.of(key).filter(FormKey::isValid).map(FormKey::new).flatMap(draft::form)
                .orElseThrow(() -> new NotThere("not-there.form"));
    }
}
