package org.pressboard.listing;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.TextOrder;
import org.pressboard.value.Value;

/**
 * Which rows of a table a visitor gets, in which order, and which part of them: listing, visitor and request state
 * taken together. Whatever shows, counts or carries rows away asks one of these.
 *
 * @param within what this visitor may see of what the listing keeps
 * @param sought what they look for in it
 * @param order  rows that it does not tell apart follow by their number, in the direction of its last field
 */
public record RowQuery(Sight sight, Visitor visitor, Standpoint standpoint, Condition within, Condition sought,
                       List<SortBy> order, int page, int size, List<FieldKey> show) {

    public RowQuery {
        standpoint = standpoint.allDay();
        order = List.copyOf(order);
        show = List.copyOf(show);
    }

    public static RowQuery of(Listing listing, Sight sight, Visitor visitor, RequestState state, Standpoint standpoint) {
        List<SortBy> order = state.sort().isEmpty() ? listing.order() : state.sort();
        boolean isMore = listing.ordering().more();
        return new RowQuery(sight, visitor, standpoint, sight.asked(listing.table()).and(listing.keep()),
                state.sought(listing.find().search()), order, isMore ? 1 : state.page(),
                isMore ? state.page() * state.size() : state.size(), listing.shown());
    }

    /** Which rows meet a condition, of all that there are in a table; nothing of them is shown. */
    public static RowQuery counting(Sight sight, Standpoint standpoint, Condition which) {
        return new RowQuery(sight, Visitor.staff(""), standpoint, which, Condition.ALWAYS, List.of(), 1, 1, List.of());
    }

    public Table table() {
        return sight.table();
    }

    /** The first lock and everything else a row must meet. */
    public Condition condition() {
        return within.and(sought);
    }

    /** The tables on whose rows the answer depends. */
    public Set<TableKey> reached() {
        Set<FieldKey> asked = new HashSet<>(show);
        asked.addAll(condition().fields());
        order.forEach(sort -> asked.add(sort.field()));
        return sight.tables().reachedFrom(table(), asked);
    }

    /** The same for everything there is to find here, before searching and narrowing. */
    public RowQuery withoutSearch() {
        return new RowQuery(sight, visitor, standpoint, within, Condition.ALWAYS, order, 1, size, show);
    }

    public RowQuery onPage(int number) {
        return new RowQuery(sight, visitor, standpoint, within, sought, order, number, size, show);
    }

    /** The first rows of all, so many. */
    public RowQuery first(int rows) {
        return new RowQuery(sight, visitor, standpoint, within, sought, order, 1, rows, show);
    }

    /** The same with these fields read of each row besides. */
    public RowQuery reading(Collection<FieldKey> more) {
        Set<FieldKey> all = new LinkedHashSet<>(show);
        all.addAll(more);
        return new RowQuery(sight, visitor, standpoint, within, sought, order, page, size, List.copyOf(all));
    }

    public boolean isSearched() {
        return !sought.equals(Condition.ALWAYS);
    }

    public long offset() {
        return (long) (page - 1) * size;
    }

    /** The rows of this page out of the given rows, worked out in memory. */
    public List<Row> pageOf(List<Row> rows, TextOrder texts) {
        return matching(rows).stream().sorted(comparator(texts)).skip(offset()).limit(size).toList();
    }

    /** All rows that match, out of the given rows, in the order given, as they are seen. */
    public List<Row> matching(List<Row> rows) {
        Condition condition = condition();
        return seen(rows).stream().filter(row -> condition.holds(row, standpoint)).toList();
    }

    private List<Row> seen(List<Row> rows) {
        return !sight.isPartly(table().key()) ? rows
                : rows.stream().flatMap(row -> sight.seen(row, standpoint).stream()).toList();
    }

    private Comparator<Row> comparator(TextOrder texts) {
        Comparator<Row> comparator = (one, other) -> 0;
        for (SortBy sort : order) {
            comparator = comparator.thenComparing(by(sort, texts));
        }
        Comparator<Row> byNumber = Comparator.comparing(Row::id);
        return comparator.thenComparing(isLastDescending() ? byNumber.reversed() : byNumber);
    }

    /** The direction in which rows follow that the order does not tell apart. */
    public boolean isLastDescending() {
        return !order.isEmpty() && order.getLast().descending();
    }

    private Comparator<Row> by(SortBy sort, TextOrder texts) {
        Comparator<Value> values = table().field(sort.field()).type().order(texts);
        return Comparator.comparing(row -> row.get(sort.field()),
                Comparator.nullsLast(sort.descending() ? values.reversed() : values));
    }
}
