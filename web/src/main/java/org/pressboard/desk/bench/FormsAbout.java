package org.pressboard.desk.bench;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.Page;
import org.pressboard.form.Form;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Sending;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.NewTables;
import org.pressboard.stand.DraftedPages;
import org.pressboard.stand.NotThere;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
import org.pressboard.words.Typed;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * A button that adds a row elsewhere about this one, such as to book, to reserve or to pledge: made together with the form
 * that it opens, and with the table that the form fills where there is none yet.
 */
@Controller
class FormsAbout {

    private final Catalog catalog;
    private final Drafts drafts;
    private final NewTables fresh;
    private final BenchWords words;
    private final Bench bench;

    FormsAbout(Catalog catalog, Drafts drafts, NewTables fresh, BenchWords words, Bench bench) {
        this.catalog = catalog;
        this.drafts = drafts;
        this.fresh = fresh;
        this.words = words;
        this.bench = bench;
    }

    @PostMapping("/desk/pages/{page}/{listing}/form")
    String make(Visit visit, @PathVariable String page, @PathVariable String listing, @RequestParam(defaultValue = "") String table,
            @RequestParam(defaultValue = "") String label, Model model) {
        Page draft = DraftedPages.draft(catalog, page);
        Listing about = DraftedPages.listing(draft, listing);
        String title = Typed.within(label, Form.LONGEST_TITLE);
        try {
            if (title.isEmpty()) {
                throw ProblemsFound.of("bench.form-label");
            }
            Table of = catalog.table(about.table()).orElseThrow(() -> new NotThere("not-there.table"));
            Table into = table.isEmpty() ? made(visit, of, title) : referring(of, table);
            Field by = into.entered().stream().filter(field -> refersTo(field, of)).findFirst().orElseThrow();
            drafts.change(draft.key(), visit.author().who(), now -> with(now, about, into, by, title));
        } catch (ProblemsFound against) {
            model.addAttribute("problem", words.said(against));
        }
        return bench.shown(visit, page, listing, model);
    }

    /** The tables with a field that refers to a row of that one. */
    static List<Table> referring(Tables tables, Table of) {
        return tables.all().stream().filter(table -> table.entered().stream().anyMatch(field -> refersTo(field, of))).toList();
    }

    private static boolean refersTo(Field field, Table of) {
        return field.type() instanceof Referring referring && referring.to().equals(of.key()) && !field.type().isSeveral();
    }

    private Table referring(Table of, String key) {
        return referring(catalog.tables(), of).stream().filter(table -> table.key().name().equals(key)).findFirst()
                .orElseThrow(() -> new NotThere("not-there.table"));
    }

    /** What somebody leaves who books or reserves: of what, who they are, and how to reach them. */
    private Table made(Visit visit, Table of, String title) {
        Who who = visit.who();
        if (who == null || !who.isOwner()) {
            throw new NotThere("not-there.table");
        }
        Field about = new Field(FieldKey.from(of.label(), Set.of("name", "email")), of.label(),
                new Referring.Reference(of.key(), Referring.OnRemoval.REFUSE));
        Field email = new Field(new FieldKey("email"), words.desk().say("desk.field.email"), new Textual.Email());
        return fresh.make(title, new Fields(List.of(Field.first(words.desk().say("desk.field.first")), about, email)), visit.author());
    }

    private static Page with(Page now, Listing about, Table into, Field by, String title) {
        Form form = now.suggested(into, title);
        Sending sending = new Sending(form.key().name(), into.key(), by.key(), title);
        return now.adding(form).changing(about.key(), listing ->
                listing.with(listing.changing().sending(Stream.concat(listing.changing().sending().stream(), Stream.of(sending)).toList())));
    }
}
