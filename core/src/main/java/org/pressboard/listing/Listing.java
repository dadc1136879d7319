package org.pressboard.listing;

import java.util.List;
import org.pressboard.condition.Condition;
import org.pressboard.value.FieldKey;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;

/**
 * What a listing shows of a table, and what visitors may do with it.
 *
 * @param keep     which rows it takes, before anybody searches or narrows
 * @param show     the fields shown, in their order
 * @param search   the shown fields in which words are searched; none: there is no search
 * @param narrow   the shown fields by whose values visitors may narrow
 * @param order    the order before anybody sorts; none: the order in which rows were added
 * @param pageSize how many rows make a page, one of {@link #PAGE_SIZES}
 * @param takeAway whether visitors may carry the rows away
 */
public record Listing(ListingKey key, TableKey table, Condition keep, List<FieldKey> show, List<FieldKey> search,
                      List<FieldKey> narrow, List<SortBy> order, int pageSize, boolean takeAway) {

    public static final List<Integer> PAGE_SIZES = List.of(10, 25, 50, 100);
    public static final int USUAL_PAGE_SIZE = 25;

    public Listing {
        show = List.copyOf(show);
        // what is not shown can be neither searched nor narrowed by: either would tell what stands in it
        search = search.stream().filter(show::contains).toList();
        narrow = narrow.stream().filter(show::contains).toList();
        order = List.copyOf(order);
        if (!PAGE_SIZES.contains(pageSize)) {
            throw new IllegalArgumentException("A page has " + PAGE_SIZES + " rows, not " + pageSize);
        }
    }

    /** The same without fields that the table has no more, such as those in the bin. */
    public Listing of(Table table) {
        return new Listing(key, this.table, keep, show.stream().filter(table.fields()::has).toList(), search, narrow,
                order.stream().filter(sort -> table.fields().has(sort.field())).toList(), pageSize, takeAway);
    }

    /** The same with these fields shown; what visitors may do with those that were shown before they still may. */
    public Listing showing(List<FieldKey> fields, List<FieldKey> searchable, List<FieldKey> narrowable) {
        return new Listing(key, table, keep, fields, joined(search, searchable), joined(narrow, narrowable),
                order.stream().filter(sort -> fields.contains(sort.field())).toList(), pageSize, takeAway);
    }

    private List<FieldKey> joined(List<FieldKey> before, List<FieldKey> possible) {
        return possible.stream().filter(field -> before.contains(field) || !show.contains(field)).toList();
    }
}
