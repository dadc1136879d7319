package org.pressboard.filling;

import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Changing;
import org.pressboard.sheet.Asking;
import org.pressboard.site.OpenListings;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;

/** A listing of which something is to be changed, by whom, and the fields that they fill in. */
record Filling(OpenListings.Open open, Visitor visitor, Locale language, List<Field> fields) {

    Asking asking() {
        return open.asking();
    }

    Table table() {
        return asking().table();
    }

    Changing changing() {
        return asking().listing().changing();
    }

    List<FieldKey> keys() {
        return fields.stream().map(Field::key).toList();
    }

    /** Where its rows are changed. */
    String rows() {
        return "/listings/" + asking().listing().key() + "/rows";
    }

    /** Where changes are taken back. */
    String undoAt() {
        return "/listings/" + asking().listing().key() + "/undo";
    }

    /** The same for the field of that name alone; of none where it is not filled in. */
    Filling of(String field) {
        return among(each -> each.name().equals(field));
    }

    /** The same for those fields only. */
    Filling among(Predicate<FieldKey> which) {
        return with(field -> which.test(field.key()));
    }

    /** The same as somebody fills it in. */
    Filling by(Visitor somebody) {
        return new Filling(open, somebody, language, fields);
    }

    Filling with(Predicate<Field> which) {
        return new Filling(open, visitor, language, fields.stream().filter(which).toList());
    }
}
