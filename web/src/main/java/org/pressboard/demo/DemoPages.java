package org.pressboard.demo;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.edition.Access;
import org.pressboard.edition.Frame;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Afterwards;
import org.pressboard.form.Bounds;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Notice;
import org.pressboard.form.Question;
import org.pressboard.form.Stamp;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Mark;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Opening;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.Sending;
import org.pressboard.listing.Show;
import org.pressboard.listing.Shown;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.TakeAway;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Format;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;

/** The pages of the orchard, each in steps such as its owner takes on the bench. */
@Component
class DemoPages {

    private static final String OWNER = "Elspeth Muir";

    private final Catalog catalog;
    private final Drafts drafts;
    private final Publisher publisher;
    private final TableChanges changes;

    DemoPages(Catalog catalog, Drafts drafts, Publisher publisher, TableChanges changes) {
        this.catalog = catalog;
        this.drafts = drafts;
        this.publisher = publisher;
        this.changes = changes;
    }

    /** What the intake guessed becomes what the orchard wants, for everyone. */
    void publish() {
        varieties();
        trees();
        workDays();
        myPickings();
        adopt();
        signUps();
        repairs();
    }

    private void varieties() {
        PageKey page = new PageKey("varieties");
        steps(page, listing -> listing.with(Show.table(keys("picture", "name", "use", "season", "flavours", "keeps_weeks",
                        "trees", "score", "first_recorded", "notes"))),
                listing -> listing.with(Finding.by(keys("name", "use", "season", "flavours", "notes"),
                        keys("use", "season", "flavours", "keeps_weeks", "first_recorded"))),
                listing -> listing.with(listing.find().changing(new FieldKey("use"), DemoPages::tags)
                        .changing(new FieldKey("season"), DemoPages::tags).changing(new FieldKey("keeps_weeks"), DemoPages::distributed)
                        .changing(new FieldKey("first_recorded"), DemoPages::distributed)),
                listing -> listing.with(Ordering.by(List.of(SortBy.up(new FieldKey("name"))))),
                listing -> listing.with(listing.show().in(LayoutKind.CARDS)),
                listing -> listing.with(listing.show().laidOut(cards -> cards.facing(face -> face.tagging(keys("use", "season", "flavours"))))),
                listing -> listing.with(Opening.NONE.by(Opening.How.PAGE).showing(keys("picture", "use", "season",
                        "flavours", "skin", "shape", "keeps_weeks", "sugar_bx", "trees", "score", "first_recorded", "notes")
                        .stream().map(Shown::usual).toList())));
        open(page, "varieties", "plots");
    }

    private void trees() {
        PageKey page = new PageKey("trees");
        drafts.change(page, OWNER, draft -> draft.titled("Find a tree"));
        steps(page, listing -> listing.with(Show.table(keys("tree", "plot", "variety", "season", "health", "planted",
                        "height_m", "picked_this_season", "highest_pledge", "propped"))),
                listing -> listing.with(Finding.by(keys("tree", "plot", "variety", "season", "health"), keys("variety",
                        "plot", "health", "planted", "season", "propped", "height_m", "picked_this_season", "highest_pledge"))),
                listing -> listing.with(listing.find().changing(new FieldKey("planted"), DemoPages::distributed)),
                listing -> listing.with(Ordering.by(List.of(SortBy.up(new FieldKey("tree")))).choosing(true)),
                listing -> listing.with(Dress.USUAL.marking(List.of(new Mark(is("health", "Poor"), Mark.Style.EDGE,
                        Mark.Colour.BRICK), new Mark(is("propped", true), Mark.Style.WARNING, Mark.Colour.MUSTARD)))),
                listing -> listing.with(Opening.NONE.by(Opening.How.UNFOLD).showing(keys("variety", "plot", "keeper",
                        "planted", "last_pruned", "height_m", "picked", "picked_this_season", "suggested_pledge",
                        "highest_pledge", "notes").stream().map(Shown::usual).toList())));
        open(page, "trees");
    }

    private void workDays() {
        PageKey page = new PageKey("work-days");
        steps(page, listing -> listing.with(Show.table(keys("day", "work_day", "begins", "where", "what_we_do",
                        "places_left"))),
                listing -> listing.keeping(new Clause(new FieldKey("day"), Comparison.UPCOMING, List.of()).condition()),
                listing -> listing.with(listing.show().changing(new FieldKey("day"),
                        shown -> shown.with(Format.USUAL.with(Format.Days.LONG)))),
                listing -> listing.with(Finding.by(keys("work_day", "where"), keys("where"))),
                listing -> listing.with(Ordering.by(List.of(SortBy.up(new FieldKey("day"))))),
                listing -> listing.with(Dress.USUAL.with(Dress.Density.AIRY).marking(List.of(new Mark(Clause.fixed(
                        new FieldKey("places_left"), Comparison.AT_MOST, Value.of(0L)).condition(),
                        Mark.Style.MUTED, Mark.Colour.SLATE)))
                        .sayingOfNothing("No work days are planned. Look in again soon.")));
        open(page, "work_days");
    }

    /** Each picker's own, which stewards see and change all of. */
    private void myPickings() {
        TableKey pickings = new TableKey("pickings");
        FieldKey picker = new FieldKey("picker");
        changes.changeField(pickings, catalog.table(pickings).orElseThrow().field(picker).opened(true), DemoTables.OWNER);
        changes.change(catalog.table(pickings).orElseThrow().ownedBy(picker), DemoTables.OWNER);
        Audience stewards = Audience.those(new GroupKey("stewards"));
        changes.change(catalog.table(pickings).orElseThrow().approvedBy(new FieldKey("approved")), DemoTables.OWNER);
        publisher.grant(pickings, new Grants(Stream.concat(Verb.of(false).stream().map(verb ->
                        Grant.ofOwn(Audience.MEMBERS, verb)), Stream.of(Verb.SEE, Verb.CHANGE, Verb.REMOVE, Verb.APPROVE)
                        .map(verb -> new Grant(stewards, verb, Condition.ALWAYS))).toList()));
        PageKey page = new PageKey("my-pickings");
        catalog.addPage(new Page(page, "My pickings", List.of(Listing.plain(new ListingKey("my-pickings"), pickings,
                keys("tree", "day", "kilograms", "grade", "approved", "picker")))));
        steps(page, listing -> listing.with(Finding.by(keys("tree", "grade"), keys("day", "grade", "approved"))),
                listing -> listing.with(listing.find().changing(new FieldKey("day"), DemoPages::distributed)),
                listing -> listing.with(listing.show().totalling(keys("kilograms"))),
                listing -> listing.with(Ordering.by(List.of(new SortBy(new FieldKey("day"), true)))),
                listing -> listing.takenAwayAs(Set.of(TakeAway.CSV, TakeAway.XLSX, TakeAway.PRINT)),
                listing -> listing.with(Changing.NOTHING.with(true, true, true).inPlace(true).inSlip(true).severally(true)
                        .filling(keys("tree", "day",
                        "kilograms", "grade", "approved"))),
                listing -> listing.with(Dress.USUAL.sayingOfNothing("You have not picked anything yet. Add what you picked.")));
        drafts.change(page, OWNER, draft -> draft.letting(new Access(List.of(Audience.MEMBERS), Access.Otherwise.SIGN_IN, "")));
        publisher.publish(page, Map.of(), null);
    }

    /** A member pledges for a tree, from its page. */
    private void adopt() {
        TableKey pledges = new TableKey("pledges");
        changes.change(catalog.table(pledges).orElseThrow().ownedBy(new FieldKey("member")), DemoTables.OWNER);
        publisher.grant(pledges, new Grants(List.of(Grant.ofOwn(Audience.MEMBERS, Verb.ADD),
                Grant.ofOwn(Audience.MEMBERS, Verb.SEE))));
        PageKey page = new PageKey("adopt");
        catalog.addPage(new Page(page, "Adopt a tree", List.of(Listing.plain(new ListingKey("adopt"), new TableKey("trees"),
                keys("tree", "variety", "plot", "health", "suggested_pledge", "highest_pledge")))));
        steps(page, listing -> listing.with(listing.show().in(LayoutKind.CARDS)),
                listing -> listing.keeping(new Clause(new FieldKey("suggested_pledge"), Comparison.FILLED, List.of())
                        .condition()),
                listing -> listing.with(Finding.by(keys("tree", "variety", "plot"), keys("variety", "plot", "health",
                        "highest_pledge"))),
                listing -> listing.with(listing.find().changing(new FieldKey("highest_pledge"), DemoPages::distributed)),
                listing -> listing.with(Ordering.by(List.of(SortBy.up(new FieldKey("highest_pledge"))))),
                listing -> listing.with(Opening.NONE.by(Opening.How.PAGE).showing(keys("variety", "plot", "keeper", "planted",
                        "health", "picked", "suggested_pledge", "highest_pledge", "notes").stream().map(Shown::usual)
                                .toList())));
        drafts.change(page, OWNER,
                draft -> draft.leading("Whoever pledges most by the end of the season has the tree’s first "
                + "basket; what comes in keeps the orchard."));
        Form pledge = Form.plain(new FormKey("pledge"), pledges, "Pledge for a tree")
                .asking(List.of(Question.of(new FieldKey("tree")).requiring(true),
                        Question.of(new FieldKey("amount")).requiring(true)
                                .starting(new Operand.OfReferred(new FieldKey("tree.suggested_pledge")))
                                .explained("At least what is suggested for the tree.")))
                .stamping(List.of(new Stamp(new FieldKey("made_on"), new Operand.Today(0))))
                .telling(List.of(new Notice(Notice.Whom.SENDER, "Your pledge for ‹Tree›",
                        "Thank you for pledging ‹Amount› for ‹Tree›.\n\nQuillbrook Community Orchard")));
        drafts.change(page, OWNER, draft -> draft.holding(List.of(pledge)));
        open(page, "trees");
    }

    /** Places on a work day, once for each member and as long as there are some. */
    private void signUps() {
        TableKey signUps = new TableKey("sign_ups");
        FieldKey day = new FieldKey("work_day");
        changes.change(catalog.table(signUps).orElseThrow().ownedBy(new FieldKey("member")), DemoTables.OWNER);
        publisher.grant(signUps, new Grants(Stream.of(Verb.SEE, Verb.ADD, Verb.REMOVE)
                .map(verb -> Grant.ofOwn(Audience.MEMBERS, verb)).toList()));
        Form form = Form.plain(new FormKey("sign-up"), signUps, "Sign up for a work day")
                .asking(List.of(Question.of(day).requiring(true)))
                .stamping(List.of(new Stamp(new FieldKey("signed_up"), new Operand.Today(0))))
                .within(Bounds.each(1, day).whileRoom(day.through(new FieldKey("places_left"))))
                .then(new Afterwards.Thanks("You are on the list. An e-mail with your place is on its way."))
                .telling(List.of(new Notice(Notice.Whom.SENDER, "Your place: ‹Work day›",
                        "We look forward to seeing you at ‹Work day›. If you cannot come, please tell us in time.\n\n"
                        + "Quillbrook Community Orchard")));
        PageKey page = new PageKey("work-days");
        drafts.change(page, OWNER, draft -> draft.holding(List.of(form)).with(List.of(draft.listings().getFirst()
                .with(Changing.NOTHING.sending(List.of(new Sending("sign-up", signUps, day, "Sign up"))))
                        .with(Opening.NONE.by(Opening.How.PAGE).showing(keys("day", "begins", "where", "what_we_do",
                        "places", "places_left")
                        .stream().map(Shown::usual).toList())))));
        drafts.change(page, OWNER, draft -> halved(halved(draft.telling("What to bring", """
                Stout shoes, gloves and something to drink. Tools are in the shed.

                - **Children** are welcome with somebody who looks after them.
                - If it pours, the gate says so by eight."""), "form-sign-up"), "part-what-to-bring"));
        open(page, "work_days");
    }

    private static Page halved(Page page, String part) {
        return page.changing(part, it -> it.framed(it.frame().of(Frame.Width.HALF)));
    }

    /** For stewards, who see to the tools. */
    private void repairs() {
        TableKey repairs = new TableKey("tool_repairs");
        Audience stewards = Audience.those(new GroupKey("stewards"));
        publisher.grant(repairs, new Grants(Verb.of(false).stream().map(verb -> new Grant(stewards, verb,
                Condition.ALWAYS)).toList()));
        PageKey page = new PageKey("repairs");
        catalog.addPage(new Page(page, "Tool repairs", List.of(Listing.plain(new ListingKey("repairs"), repairs,
                keys("tool", "what_is_wrong", "state", "reported_by", "reported_on", "cost")))));
        steps(page, listing -> listing.with(Finding.by(keys("tool", "what_is_wrong"), keys("state", "reported_on"))),
                listing -> listing.with(listing.find().changing(new FieldKey("state"), DemoPages::tags)),
                listing -> listing.with(Ordering.by(List.of(new SortBy(new FieldKey("reported_on"), true)))),
                listing -> listing.with(Changing.NOTHING.with(true, true, true).inPlace(true).doing(List.of(new Deed("Done",
                        Condition.any(List.of(Condition.isEmpty(new FieldKey("state")),
                                Condition.compare(new FieldKey("state"),
                                Operator.DIFFERS, Value.of("done")))), List.of(new Stamp(new FieldKey("state"),
                                new Operand.Fixed(Value.of("done")))))))));
        drafts.change(page, OWNER, draft -> draft.letting(new Access(List.of(stewards), Access.Otherwise.NOT_THERE,
                "")));
        publisher.publish(page, Map.of(), null);
    }

    private static NarrowBy tags(NarrowBy control) {
        return control.by(NarrowBy.ControlKind.TAGS, false, false);
    }

    private static NarrowBy distributed(NarrowBy control) {
        return control.by(NarrowBy.ControlKind.RANGE, false, true);
    }

    private static Condition is(String field, String text) {
        return Condition.compare(new FieldKey(field), Operator.EQUALS, Value.of(text));
    }

    private static Condition is(String field, boolean yes) {
        return Condition.compare(new FieldKey(field), Operator.EQUALS, Value.of(yes));
    }

    @SafeVarargs
    private void steps(PageKey page, UnaryOperator<Listing>... steps) {
        for (UnaryOperator<Listing> step : steps) {
            drafts.change(page, OWNER, draft -> draft.changing(draft.listings().getFirst().key(), step));
        }
    }

    private static List<FieldKey> keys(String... names) {
        return Arrays.stream(names).map(FieldKey::new).toList();
    }

    private void open(PageKey page, String... tables) {
        publisher.publish(page, Arrays.stream(tables).collect(Collectors.toMap(TableKey::new,
                table -> Openness.EVERYONE)), null);
    }
}
