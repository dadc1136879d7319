package org.pressboard.listing;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.pressboard.condition.Condition;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

/**
 * A listing as its ticket says it: what it takes and keeps of a table, what it shows, and what visitors may do with it.
 *
 * <pre>{@code
 * Listing trees = Listing.plain(key, table, List.of(tree, health)).with(Ordering.by(List.of(SortBy.up(tree))));
 * }</pre>
 *
 * @param table    what it takes its rows from
 * @param keep     which rows it keeps, before anybody searches or narrows
 * @param find     what visitors may do to find rows; only by what is shown
 * @param takeAway in which formats they may carry the rows away
 * @param paper    on which paper they print them
 * @param changing what they may change from the page
 */
public record Listing(ListingKey key, TableKey table, Condition keep, Show show, Finding find, Ordering ordering,
                      Opening opening, Dress dress, Set<TakeAway> takeAway, Paper paper, Changing changing) {

    public static final List<Integer> PAGE_SIZES = List.of(10, 25, 50, 100);
    public static final int USUAL_PAGE_SIZE = 25;

    public Listing {
        // what is not shown can be neither searched nor narrowed by: either would tell what stands in it
        find = find.among(show.keys()::contains);
        opening = Objects.requireNonNullElse(opening, Opening.NONE);
        dress = Objects.requireNonNullElse(dress, Dress.USUAL);
        paper = Objects.requireNonNullElse(paper, Paper.USUAL);
        changing = Objects.requireNonNullElse(changing, Changing.NOTHING);
        takeAway = java.util.Collections.unmodifiableSet(new TreeSet<>(takeAway));
    }

    /** All rows as a table of these fields, with nothing to find or carry them by. */
    public static Listing plain(ListingKey key, TableKey table, List<FieldKey> fields) {
        return new Listing(key, table, Condition.ALWAYS, Show.table(fields), Finding.by(List.of(), List.of()),
                Ordering.by(List.of()), Opening.NONE, Dress.USUAL, Set.of(), Paper.USUAL, Changing.NOTHING);
    }

    public Listing keeping(Condition rows) {
        return new Listing(key, table, rows, show, find, ordering, opening, dress, takeAway, paper, changing);
    }

    public Listing with(Show other) {
        return new Listing(key, table, keep, other, find, ordering, opening, dress, takeAway, paper, changing);
    }

    public Listing with(Finding other) {
        return new Listing(key, table, keep, show, other, ordering, opening, dress, takeAway, paper, changing);
    }

    public Listing with(Ordering other) {
        return new Listing(key, table, keep, show, find, other, opening, dress, takeAway, paper, changing);
    }

    public Listing with(Opening other) {
        return new Listing(key, table, keep, show, find, ordering, other, dress, takeAway, paper, changing);
    }

    public Listing with(Dress other) {
        return new Listing(key, table, keep, show, find, ordering, opening, other, takeAway, paper, changing);
    }

    public Listing takenAwayAs(Set<TakeAway> formats) {
        return new Listing(key, table, keep, show, find, ordering, opening, dress, formats, paper, changing);
    }

    public Listing on(Paper other) {
        return new Listing(key, table, keep, show, find, ordering, opening, dress, takeAway, other, changing);
    }

    public Listing with(Changing other) {
        return new Listing(key, table, keep, show, find, ordering, opening, dress, takeAway, paper, other);
    }

    /** The fields shown, in their order. */
    public List<FieldKey> shown() {
        return show.keys();
    }

    /** What is on an opened row, in its order; called and written as in the list, unless it is said otherwise. */
    public List<Shown> opened() {
        return opening.fields().isEmpty() ? show.fields() : opening.fields().stream()
                .map(own -> own.equals(Shown.usual(own.field())) ? show.find(own.field()).orElse(own) : own).toList();
    }

    /** All fields that visitors get to see, in the list or of an opened row. */
    public Set<FieldKey> seen() {
        Set<FieldKey> seen = new LinkedHashSet<>(shown());
        if (opening.how().hasAddress()) {
            opened().forEach(look -> seen.add(look.field()));
        }
        return seen;
    }

    /** What is read of each row besides what is shown: for the addresses at which rows are opened, and for marks and buttons. */
    public List<FieldKey> besides(Table of) {
        List<FieldKey> besides = new ArrayList<>();
        if (opening.how().hasAddress() && of.rowKey() != null) {
            besides.add(of.rowKey());
        }
        if (opening.how() == Opening.How.LINK && opening.link() != null) {
            besides.add(opening.link());
        }
        besides.addAll(dress.asked());
        of.letThrough().ifPresent(besides::add);
        return besides;
    }

    /** Whether it shows a field, or asks about it, if through references. */
    public boolean uses(Tables tables, TableKey of, FieldKey field) {
        return (table.equals(of) && (seen().contains(field) || dress.asked().contains(field)
                || order().stream().anyMatch(sort -> sort.field().equals(field))))
                || asksFor(tables, of, field, keep.fields()) || asksFor(tables, of, field, dress.asked());
    }

    /** Whether it chooses its rows by a field, if through references. */
    public boolean keepsBy(Tables tables, TableKey of, FieldKey field) {
        return asksFor(tables, of, field, keep.fields());
    }

    private boolean asksFor(Tables tables, TableKey of, FieldKey field, Set<FieldKey> asked) {
        return (table.equals(of) && asked.contains(field)) || tables.find(table).map(own -> tables.reaching(own, asked)).stream()
                .flatMap(own -> asked.stream().flatMap(key -> own.fields().find(key).stream())
                        .flatMap(each -> tables.stepsOf(own, each)))
                .anyMatch(step -> step.from().key().equals(of) && step.by().key().equals(field));
    }

    /** The order before anybody sorts. */
    public List<SortBy> order() {
        return ordering.by();
    }

    /**
     * The same without fields that the table has no more, such as those in the bin. Where what says which rows are kept can
     * no more be asked, none is: without it, rows might be shown that never should be.
     */
    public Listing of(Tables tables, Table table) {
        Listing there = only(table, condition -> tables.canAsk(table, condition));
        return there.with(there.changing.doing(there.changing.deeds().stream().filter(deed -> deed.isOf(tables, table)).toList()));
    }

    private Listing only(Table table, Predicate<Condition> canAsk) {
        return keeping(canAsk.test(keep) ? keep : Condition.NEVER).with(show.keeping(table.fields()::has))
                .with(opening.among(table.fields()::has)).with(changing.among(table.fields()::has)).with(ordering.ordered(ordering.by().stream()
                        .filter(sort -> table.fields().has(sort.field())).toList()))
                .with(dress.marking(dress.marks().stream().filter(mark -> canAsk.test(mark.when())).toList()));
    }

    /**
     * Whether nothing can be kept of its table, for a field by which rows were is gone or of another kind: there is no row for
     * anybody, and that is no answer to what they look for.
     */
    public boolean isBroken() {
        return keep.equals(Condition.NEVER);
    }

    /** The same for whom these fields of the table are hidden (see {@link #of}). */
    public Listing hiding(Set<FieldKey> fields, Table table) {
        return fields.isEmpty() ? this : only(table.with(new Fields(table.fields().stream()
                .filter(field -> !fields.contains(field.key())).toList())),
                condition -> fields.stream().noneMatch(condition.fields()::contains));
    }

    /** The same among these tables: without what its table, or one that its conditions reach, has no more (see {@link #of}). */
    public Listing among(Tables tables) {
        return of(tables, tables.reaching(tables.get(table), reached()));
    }

    /** All fields that something on its ticket is about, also such as its table has no more. */
    public Set<FieldKey> named() {
        Set<FieldKey> named = new LinkedHashSet<>(shown());
        opening.fields().forEach(own -> named.add(own.field()));
        order().forEach(sort -> named.add(sort.field()));
        named.addAll(changing.named());
        named.addAll(keep.fields());
        named.addAll(dress.asked());
        return named;
    }

    /** The fields of other tables that conditions of it ask about, or buttons take something of, through references. */
    public Set<FieldKey> reached() {
        Set<FieldKey> reached = new LinkedHashSet<>(keep.fields());
        reached.addAll(dress.asked());
        changing.deeds().forEach(deed -> reached.addAll(deed.needed()));
        reached.removeIf(key -> !key.isThrough());
        return reached;
    }
}
