package org.pressboard.desk;

import java.util.List;
import org.pressboard.listing.Listing;
import org.pressboard.table.Table;

/** Which fields a listing shows, out of those of its table. */
record ShownFields(String listing, String label, List<ShownField> fields) {

    /** A field, and whether the listing shows it. */
    public record ShownField(String key, String label, boolean shown) {
    }

    static ShownFields of(Listing listing, Table table) {
        return new ShownFields(listing.key().name(),
                listing.dress().titleOr(table.label()), table.fields().stream().map(field ->
                new ShownField(field.key().name(), field.label(), listing.shown().contains(field.key()))).toList());
    }

    public long count() {
        return fields.stream().filter(ShownField::shown).count();
    }

    public List<String> hidden() {
        return fields.stream().filter(field -> !field.shown()).map(ShownField::label).toList();
    }
}
