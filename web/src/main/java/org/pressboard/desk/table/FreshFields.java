package org.pressboard.desk.table;

import java.io.Serializable;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.Page;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Suggestion;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.stand.DraftedPages;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.visit.Visit;
import org.pressboard.words.Words;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/**
 * Fields that a table has just got, and the listings of the table: where nobody has chosen among its fields yet, and no
 * visitor gets the page, the field joins the others; elsewhere it is offered.
 */
@Controller
public class FreshFields {

    /** The names of the kinds of which no more need be said, but for the options of a choice. */
    public static final List<String> KINDS = Stream.of(FieldKind.TEXT, FieldKind.LONG_TEXT, FieldKind.CHOICE, FieldKind.CHOICES,
            FieldKind.YES_NO, FieldKind.WHOLE_NUMBER, FieldKind.DECIMAL, FieldKind.DATE, FieldKind.TIME, FieldKind.EMAIL,
            FieldKind.PHONE, FieldKind.LINK, FieldKind.RATING, FieldKind.PICTURE, FieldKind.FILE).map(FieldKind::name).toList();

    private final Catalog catalog;
    private final Drafts drafts;
    private final TableChanges changes;
    private final TableFrame frame;

    FreshFields(Catalog catalog, Drafts drafts, TableChanges changes, TableFrame frame) {
        this.catalog = catalog;
        this.drafts = drafts;
        this.changes = changes;
        this.frame = frame;
    }

    /** A listing that could show it. */
    public record Offer(String field, String page, String listing, String said) implements Serializable {
    }

    /**
     * Makes a field as it was sent from a ticket, by its label and kind.
     *
     * @throws ProblemsFound when something of it is missing
     */
    public Field make(Visit visit, Table table, MultiValueMap<String, String> parameters) {
        FieldForm form = FieldForm.sent(frame.tables(), table, null, parameters, frame.siteWords(), frame.words());
        if (!form.isRight()) {
            throw ProblemsFound.of("bench.form.no-field", form.problems().values().stream().findFirst().orElse(""));
        }
        return add(visit, table, Objects.requireNonNull(form.field()));
    }

    /** Adds the field, also to the listings that it joins by itself. */
    Field add(Visit visit, Table table, Field field) {
        changes.addField(table.key(), field, visit.author());
        for (Page page : catalog.drafts()) {
            boolean isJoined = visit.site().edition(page.key()).isEmpty() && page.listings().stream()
                    .anyMatch(listing -> !joined(listing, table, field).equals(listing));
            if (isJoined) {
                drafts.change(page.key(), visit.author().who(), now -> now.with(now.listings().stream()
                        .map(listing -> joined(listing, table, field)).toList()));
            }
        }
        return field;
    }

    private static Listing joined(Listing listing, Table table, Field field) {
        return listing.table().equals(table.key()) ? Suggestion.joining(listing, table.fields(), field) : listing;
    }

    /** The listings that could show it and do not. */
    List<Offer> offers(Table table, Field field) {
        List<Offer> offers = new ArrayList<>();
        for (Page page : catalog.drafts()) {
            page.listings().stream().filter(listing -> listing.table().equals(table.key()) && !listing.seen().contains(field.key()))
                    .forEach(listing -> offers.add(new Offer(field.key().name(), page.key().name(), listing.key().name(),
                            frame.words().say("desk.field.show", page.title(), "/" + page.key()))));
        }
        return offers;
    }

    /** Has a listing show it; visitors get it with the next edition. */
    @PostMapping("/desk/tables/{key}/fields/{field}/show")
    String show(Visit visit, @PathVariable String key, @PathVariable String field, @RequestParam String page,
            @RequestParam String listing, RedirectAttributes flash) {
        Table table = frame.find(key);
        Field found = FieldList.find(table, field);
        Page draft = DraftedPages.draft(catalog, page);
        Words words = frame.words();
        drafts.change(draft.key(), visit.author().who(), now -> now.changing(DraftedPages.listingKey(listing),
                it -> it.table().equals(table.key()) ? Suggestion.adding(it, found) : it));
        frame.tell(flash, null, "desk.field.shown", found.label(), draft.title());
        flash.addFlashAttribute("offers", offers(table, found));
        flash.addFlashAttribute("offersOf", words.say("desk.field.show-too", found.label()));
        return FieldList.back(table);
    }
}
