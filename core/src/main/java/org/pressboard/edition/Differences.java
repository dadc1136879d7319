package org.pressboard.edition;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.pressboard.edition.Difference.TicketLine;
import org.pressboard.form.Form;
import org.pressboard.grant.Audience;
import org.pressboard.listing.CardFace;
import org.pressboard.listing.Layout;
import org.pressboard.listing.Listing;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Paper;
import org.pressboard.listing.Show;
import org.pressboard.listing.Shown;
import org.pressboard.listing.SortBy;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * What is otherwise on a page than on another, in the order of its tickets' lines.
 *
 * <pre>{@code
 * List<Difference> changed = Differences.between(before, after, tables);
 * }</pre>
 */
public final class Differences {

    private static final int LONGEST_TOLD = 120;

    private final Tables tables;
    private final List<Difference> found = new ArrayList<>();

    private Differences(Tables tables) {
        this.tables = tables;
    }

    /** @param tables those of the site, for what fields are called */
    public static List<Difference> between(Page before, Page after, Tables tables) {
        Differences differences = new Differences(tables);
        differences.pages(before, after);
        return List.copyOf(differences.found);
    }

    private void pages(Page before, Page after) {
        note(!before.title().equals(after.title()), TicketLine.PAGE, "title", after.title());
        words(TicketLine.PAGE, "lead", before.lead(), after.lead());
        note(before.unlisted() != after.unlisted(), TicketLine.PAGE, after.unlisted() ? "unlisted" : "listed");
        for (Listing listing : after.listings()) {
            before.listing(listing.key()).ifPresentOrElse(was -> listings(was, listing),
                    () -> found.add(Difference.of(TicketLine.PAGE, "added", label(listing.table()))));
        }
        before.listings().stream().filter(listing -> after.listing(listing.key()).isEmpty())
                .forEach(listing -> found.add(Difference.of(TicketLine.PAGE, "removed", label(listing.table()))));
        texts(before, after);
        note(!shared(before, after).equals(shared(after, before)), TicketLine.PAGE, "order");
        for (Part part : after.parts()) {
            alike(before, part).filter(was -> was.frame().width() != part.frame().width())
                    .ifPresent(was -> found.add(Difference.of(TicketLine.PAGE, "width", called(part), part.frame().width())));
        }
        note(!before.access().equals(after.access()) || !audiences(before, after).equals(audiences(after, before)), TicketLine.PAGE, "access");
        for (Form form : after.forms()) {
            before.form(form.key()).ifPresentOrElse(was -> forms(was, form),
                    () -> found.add(Difference.of(TicketLine.FORM, "added", form.title())));
        }
        before.forms().stream().filter(form -> after.form(form.key()).isEmpty())
                .forEach(form -> found.add(Difference.of(TicketLine.FORM, "removed", form.title())));
    }

    private void forms(Form before, Form after) {
        note(!before.title().equals(after.title()), TicketLine.FORM, "title", after.title());
        words(TicketLine.FORM, "lead", before.lead(), after.lead(), after.title());
        note(!before.questions().equals(after.questions()) || before.paired() != after.paired(), TicketLine.FORM, "ask",
                after.title());
        note(!before.stamps().equals(after.stamps()), TicketLine.FORM, "set", after.title());
        note(!before.bounds().equals(after.bounds()), TicketLine.FORM, "bounds", after.title());
        note(before.atOnce() != after.atOnce(), TicketLine.FORM, after.atOnce() ? "at-once" : "waits", after.title());
        note(!before.then().equals(after.then()), TicketLine.FORM, "then", after.title());
        note(!before.notices().equals(after.notices()), TicketLine.FORM, "tell", after.title());
    }

    /** Words, pictures and rules of the owner. */
    private void texts(Page before, Page after) {
        for (Part part : after.parts()) {
            Optional<Part> was = alike(before, part);
            switch (part) {
                case Part.OfListing listing -> { }
                case Part.OfForm form -> { }
                case Part.OfText text -> {
                    Part.OfText had = was.map(Part.OfText.class::cast).orElse(null);
                    note(had == null, TicketLine.PAGE, "text-added", called(text));
                    note(had != null && !(had.text().equals(text.text()) && had.heading().equals(text.heading())), TicketLine.PAGE,
                            "text", called(text));
                }
                case Part.OfPicture picture -> {
                    note(was.isEmpty(), TicketLine.PAGE, "picture-added", called(picture));
                    note(was.filter(had -> !had.framed(picture.frame()).equals(picture)).isPresent(), TicketLine.PAGE, "picture",
                            called(picture));
                }
                case Part.OfRule rule -> {
                    note(was.isEmpty(), TicketLine.PAGE, "rule-added", called(rule));
                    note(was.filter(had -> !had.heading().equals(rule.heading())).isPresent(), TicketLine.PAGE, "rule", called(rule));
                }
            }
        }
        before.parts().stream().filter(part -> part instanceof Part.OfOwner && alike(after, part).isEmpty())
                .forEach(part -> found.add(Difference.of(TicketLine.PAGE, removed(part), called(part))));
    }

    /** The part of that key and kind; another kind may have got the key of one that was removed. */
    private static Optional<Part> alike(Page page, Part part) {
        return page.part(part.anchor()).filter(found -> found.getClass() == part.getClass());
    }

    private static String removed(Part part) {
        return part instanceof Part.OfText ? "text-removed" : part instanceof Part.OfPicture ? "picture-removed" : "rule-removed";
    }

    /** What a part is called, or how it begins. */
    private String called(Part part) {
        return switch (part) {
            case Part.OfListing of -> of.listing().dress().titleOr(label(of.listing().table()));
            case Part.OfForm of -> of.heading();
            case Part.OfOwner of -> shortened(of.called());
        };
    }

    /** The parts of the one that the other has too, in its order. */
    private static List<String> shared(Page one, Page other) {
        return one.parts().stream().map(Part::anchor).filter(anchor -> other.part(anchor).isPresent()).toList();
    }

    /** Whom those parts of the one are for that the other has too. */
    private static Map<Object, List<Audience>> audiences(Page one, Page other) {
        Set<Object> shared = other.parts().stream().map(Part::key).collect(Collectors.toSet());
        return one.parts().stream().filter(part -> shared.contains(part.key()))
                .collect(Collectors.toMap(Part::key, Part::audiences));
    }

    private void listings(Listing before, Listing after) {
        if (!before.table().equals(after.table())) {
            // nothing of the one can be compared with the other
            found.add(Difference.of(TicketLine.TAKE, "table", label(after.table())));
            return;
        }
        note(!before.keep().equals(after.keep()), TicketLine.KEEP, "rows",
                new Difference.Kept(after.table(), after.keep()));
        show(after.table(), before.show(), after.show());
        find(before, after);
        order(before, after);
        opening(before, after);
        changing(before, after);
        dress(before, after);
    }

    private void show(TableKey table, Show before, Show after) {
        note(before.layout().kind() != after.layout().kind(), TicketLine.SHOW, "layout", after.layout().kind());
        layouts(table, before.in(after.layout().kind()).layout(), after);
        note(!before.totals().equals(after.totals()), TicketLine.SHOW, after.totals().isEmpty() ? "no-totals" : "totals",
                after.totals().stream().map(key -> label(table, after, key)).collect(Collectors.joining(", ")));
        List<FieldKey> had = before.keys();
        List<FieldKey> has = after.keys();
        has.stream().filter(key -> !had.contains(key)).forEach(key ->
                found.add(Difference.of(TicketLine.SHOW, "added", label(table, after, key))));
        had.stream().filter(key -> !has.contains(key)).forEach(key ->
                found.add(Difference.of(TicketLine.SHOW, "hid", label(table, before, key))));
        note(!had.stream().filter(has::contains).toList().equals(has.stream().filter(had::contains).toList()), TicketLine.SHOW,
                "order", has.stream().map(key -> label(table, after, key)).collect(Collectors.joining(", ")));
        for (Shown shown : after.fields()) {
            before.find(shown.field()).ifPresent(was -> {
                note(!was.label().equals(shown.label()), TicketLine.SHOW, "label", label(table, before, shown.field()),
                        label(table, after, shown.field()));
                note(!was.labelled("").equals(shown.labelled("")), TicketLine.SHOW, "look", label(table, after, shown.field()));
            });
        }
    }

    private void layouts(TableKey table, Layout before, Show after) {
        switch (after.layout()) {
            case Layout.AsTable rows -> { }
            case Layout.AsCards cards -> {
                note(!(before instanceof Layout.AsCards had) || had.across() != cards.across(), TicketLine.SHOW, "across", cards.across());
                before.cards().ifPresent(face -> faces(table, after, face, cards.face()));
            }
            case Layout.AsStrip strip -> before.cards().ifPresent(face -> faces(table, after, face, strip.face()));
        }
    }

    private void faces(TableKey table, Show show, CardFace before, CardFace after) {
        note(before.picture() != after.picture(), TicketLine.SHOW, "picture", after.picture());
        note(before.labels() != after.labels(), TicketLine.SHOW, after.labels() ? "labels" : "no-labels");
        note(!before.tags().equals(after.tags()), TicketLine.SHOW, after.tags().isEmpty() ? "no-tags" : "tags",
                after.tags().stream().map(key -> label(table, show, key)).collect(Collectors.joining(", ")));
    }

    private void find(Listing before, Listing after) {
        note(!before.find().search().equals(after.find().search()), TicketLine.LET,
                after.find().search().isEmpty() ? "no-search" : "search", labels(after, after.find().search()));
        note(!before.find().hint().equals(after.find().hint()), TicketLine.LET, "hint", after.find().hint());
        note(!before.find().words().equals(after.find().words()), TicketLine.LET,
                after.find().words().isEmpty() ? "no-words" : "words", after.find().words());
        note(!before.find().narrow().equals(after.find().narrow()), TicketLine.LET,
                after.find().narrow().isEmpty() ? "no-narrowing" : "narrow", labels(after, after.find().narrow()));
        after.find().narrow().forEach(field -> controls(after, before.find().by(field), after.find().by(field)));
        note(before.find().form() != after.find().form(), TicketLine.LET, "form", after.find().form());
        note(before.find().unsorted() != after.find().unsorted(), TicketLine.LET,
                after.find().unsorted() ? "unsorted" : "sorted");
        paper(before.paper(), after.paper());
        note(!before.takeAway().equals(after.takeAway()), TicketLine.LET,
                after.takeAway().isEmpty() ? "no-take-away" : "take-away",
                after.takeAway().stream().map(Enum::name).collect(Collectors.joining(", ")));
    }

    private void paper(Paper before, Paper after) {
        note(before.size() != after.size(), TicketLine.LET, "paper", after.size());
        note(before.across() != after.across(), TicketLine.LET, after.across() ? "across" : "upright");
    }

    private void controls(Listing listing, NarrowBy before, NarrowBy after) {
        String label = label(listing.table(), listing.show(), after.field());
        note(!before.startingWith(after.start()).equals(after), TicketLine.LET, "control", label);
        note(!before.start().equals(after.start()), TicketLine.LET, after.start().isOpen() ? "no-start" : "start", label);
    }

    private void order(Listing before, Listing after) {
        note(!before.order().equals(after.order()), TicketLine.ORDER, after.order().isEmpty() ? "as-added" : "by",
                labels(after, after.order().stream().map(SortBy::field).toList()));
        note(before.ordering().pageSize() != after.ordering().pageSize(), TicketLine.ORDER, "page-size",
                after.ordering().pageSize());
        note(before.ordering().choice() != after.ordering().choice(), TicketLine.ORDER,
                after.ordering().choice() ? "choice" : "no-choice");
        note(before.ordering().more() != after.ordering().more(), TicketLine.ORDER, after.ordering().more() ? "more" : "pages");
        note(before.ordering().limit() != after.ordering().limit(), TicketLine.ORDER,
                after.ordering().limit() == 0 ? "no-limit" : "limit", after.ordering().limit());
    }

    private void changing(Listing before, Listing after) {
        note(before.changing().add() != after.changing().add(), TicketLine.CHANGE, after.changing().add() ? "add" : "no-add");
        note(before.changing().change() != after.changing().change(), TicketLine.CHANGE,
                after.changing().change() ? "change" : "no-change");
        note(before.changing().remove() != after.changing().remove(), TicketLine.CHANGE,
                after.changing().remove() ? "remove" : "no-remove");
        note(!before.changing().fields().equals(after.changing().fields()), TicketLine.CHANGE,
                after.changing().fields().isEmpty() ? "fields-shown" : "fields", labels(after, after.changing().fields()));
        note(before.changing().inPlace() != after.changing().inPlace(), TicketLine.CHANGE,
                after.changing().inPlace() ? "in-place" : "not-in-place");
        note(before.changing().inSlip() != after.changing().inSlip(), TicketLine.CHANGE,
                after.changing().inSlip() ? "in-slip" : "on-page");
        note(before.changing().several() != after.changing().several(), TicketLine.CHANGE,
                after.changing().several() ? "several" : "not-several");
        note(!before.changing().deeds().equals(after.changing().deeds())
                || !before.changing().sending().equals(after.changing().sending()), TicketLine.CHANGE, "buttons");
    }

    private void opening(Listing before, Listing after) {
        note(before.opening().how() != after.opening().how(), TicketLine.OPEN, "how", after.opening().how());
        note(!before.opening().button().equals(after.opening().button()), TicketLine.OPEN,
                after.opening().button().isEmpty() ? "no-button" : "button", after.opening().button());
        note(!before.opening().fields().equals(after.opening().fields()), TicketLine.OPEN,
                after.opening().fields().isEmpty() ? "as-shown" : "fields",
                labels(after, after.opening().fields().stream().map(Shown::field).toList()));
        note(!Objects.equals(before.opening().link(), after.opening().link()), TicketLine.OPEN, "link",
                after.opening().link() == null ? "" : label(after.table(), after.show(), after.opening().link()));
    }

    private void dress(Listing before, Listing after) {
        note(before.dress().density() != after.dress().density(), TicketLine.DRESS, "density", after.dress().density());
        note(before.dress().stripes() != after.dress().stripes(), TicketLine.DRESS, "stripes", after.dress().stripes());
        note(before.dress().rules() != after.dress().rules(), TicketLine.DRESS, "rules", after.dress().rules());
        note(!before.dress().marks().equals(after.dress().marks()), TicketLine.DRESS,
                after.dress().marks().isEmpty() ? "no-marks" : "marks", after.dress().marks().size());
        note(!before.dress().title().equals(after.dress().title()), TicketLine.DRESS, "title", after.dress().title());
        words(TicketLine.DRESS, "lead", before.dress().lead(), after.dress().lead());
        words(TicketLine.DRESS, "nothing", before.dress().nothing(), after.dress().nothing());
    }

    /** Of sentences that the owner writes, what they say now and what they said. */
    private void words(TicketLine line, String code, String before, String after, Object... details) {
        List<Object> all = new ArrayList<>(List.of(details));
        all.add(shortened(after));
        all.add(shortened(before));
        String how = before.isEmpty() ? code + "-added" : after.isEmpty() ? code + "-removed" : code;
        note(!before.equals(after), line, how, all.toArray());
    }

    private static String shortened(String text) {
        return text.length() <= LONGEST_TOLD ? text : text.substring(0, LONGEST_TOLD) + "…";
    }

    private void note(boolean differs, TicketLine line, String code, Object... details) {
        if (differs) {
            found.add(Difference.of(line, code, details));
        }
    }

    private String labels(Listing listing, List<FieldKey> keys) {
        return keys.stream().map(key -> label(listing.table(), listing.show(), key)).collect(Collectors.joining(", "));
    }

    /** What it is called on the listing, else in its table; of a field that is gone, its key. */
    private String label(TableKey table, Show show, FieldKey key) {
        return show.find(key).map(Shown::label).filter(label -> !label.isEmpty())
                .or(() -> tables.find(table).flatMap(of -> of.fields().find(key)).map(Field::label)).orElse(key.name());
    }

    private String label(TableKey table) {
        return Optional.of(table).flatMap(tables::find).map(Table::label).orElse(table.name());
    }
}
