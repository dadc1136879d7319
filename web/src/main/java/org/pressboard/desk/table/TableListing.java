package org.pressboard.desk.table;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.stand.Asking;
import org.pressboard.stand.Stand;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Visit;

/** The rows of a table as the desk lists them: every field that is not hidden there, in the order in which rows came. */
public final class TableListing {

    private TableListing() {
    }

    /** All rows, nothing searched or narrowed. */
    public static Asking everything(Visit visit, TableKey table) {
        return asking(visit, table, Map.of());
    }

    static Asking asking(Visit visit, TableKey key, Map<String, List<String>> parameters) {
        Map<String, List<String>> own = new LinkedHashMap<>(parameters);
        // the row that is opened over the list is not the list's
        own.keySet().removeIf(name -> !(name.startsWith("f.") || LIST.contains(name)));
        return Asking.of(new Stand.AllRows(key), visit, of(visit.site().table(key)), AddressPart.whole(own));
    }

    private static final List<String> LIST = List.of("q", "sort", "page", "size");

    private static Listing of(Table table) {
        List<FieldKey> shown = table.fields().stream().filter(field -> !field.hidden()).map(Field::key).toList();
        return Listing.plain(new ListingKey("all"), table.key(), shown).with(Finding.by(
                Suggestion.searchable(table.fields(), shown), Suggestion.narrowable(table.fields(), shown)));
    }
}
