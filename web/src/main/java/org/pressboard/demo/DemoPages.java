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
import org.pressboard.condition.Operator;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Cards;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Dress;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Mark;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Opening;
import org.pressboard.listing.Ordering;
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
    }

    private void varieties() {
        PageKey page = new PageKey("varieties");
        steps(page, listing -> listing.with(Show.table(keys("picture", "name", "use", "season", "flavours", "keeps_weeks",
                        "trees", "score", "first_recorded", "notes"))),
                listing -> listing.with(Finding.by(keys("name", "use", "season", "flavours", "notes"),
                        keys("use", "season", "flavours", "keeps_weeks", "first_recorded"))),
                listing -> listing.with(listing.find().changing(new FieldKey("use"), DemoPages::tags)
                        .changing(new FieldKey("season"), DemoPages::tags).changing(new FieldKey("keeps_weeks"), DemoPages::spread)
                        .changing(new FieldKey("first_recorded"), DemoPages::spread)),
                listing -> listing.with(Ordering.by(List.of(SortBy.up(new FieldKey("name"))))),
                listing -> listing.with(listing.show().in(Show.Layout.CARDS)),
                listing -> listing.with(listing.show().with(Cards.USUAL.tagging(keys("use", "season", "flavours")))),
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
                listing -> listing.with(listing.find().changing(new FieldKey("planted"), DemoPages::spread)),
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
                listing -> listing.with(Dress.USUAL.with(Dress.Density.AIRY).marking(List.of(new Mark(new Clause(
                        new FieldKey("places_left"), Comparison.AT_MOST, List.of(Value.of(0L))).condition(),
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
        publisher.grant(pickings, new Grants(Stream.concat(Stream.of(Verb.values()).map(verb ->
                        Grant.ofOwn(Audience.MEMBERS, verb)), Stream.of(Verb.SEE, Verb.CHANGE).map(verb ->
                        new Grant(stewards, verb, Condition.ALWAYS))).toList()));
        PageKey page = new PageKey("my-pickings");
        catalog.addPage(new Page(page, "My pickings", List.of(Listing.plain(new ListingKey("my-pickings"), pickings,
                keys("tree", "day", "kilograms", "grade", "approved", "picker")))));
        steps(page, listing -> listing.with(Finding.by(keys("tree", "grade"), keys("day", "grade", "approved"))),
                listing -> listing.with(listing.find().changing(new FieldKey("day"), DemoPages::spread)),
                listing -> listing.with(Ordering.by(List.of(new SortBy(new FieldKey("day"), true)))),
                listing -> listing.takenAwayAs(Set.of(TakeAway.CSV, TakeAway.XLSX, TakeAway.PRINT)),
                listing -> listing.with(Changing.NOTHING.with(true, true, true).filling(keys("tree", "day", "kilograms",
                        "grade"))),
                listing -> listing.with(Dress.USUAL.sayingOfNothing("You have not picked anything yet. Add what you picked.")));
        publisher.publish(page, Map.of(), null);
    }

    private static NarrowBy tags(NarrowBy control) {
        return control.by(NarrowBy.Way.TAGS, false, false);
    }

    private static NarrowBy spread(NarrowBy control) {
        return control.by(NarrowBy.Way.RANGE, false, true);
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
