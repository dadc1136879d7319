package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.Changing;
import org.pressboard.stand.Asking;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.springframework.util.MultiValueMap;

/**
 * Somebody wants to change something of a listing.
 *
 * @param visitor on whose behalf
 * @param fields  those that they fill in
 * @param sent    what they have sent
 */
record Filling(Asking asking, Visitor visitor, List<Field> fields, Sent sent) {

    /** What was sent, and where the answer goes. */
    record Sent(MultiValueMap<String, String> parameters, HttpServletRequest request, HttpServletResponse response) {

        /** Whether something was sent of the field. */
        boolean has(FieldKey field) {
            return parameters.containsKey("v." + field);
        }
    }

    Table table() {
        return asking.table();
    }

    Changing changing() {
        return asking.listing().changing();
    }

    Locale language() {
        return asking.language();
    }

    Author author() {
        return asking.visit().author(Author.Origin.PAGE);
    }

    List<FieldKey> keys() {
        return fields.stream().map(Field::key).toList();
    }

    /** Where its rows are changed. */
    String rows() {
        return asking.addresses().rows();
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
        return new Filling(asking, somebody, fields, sent);
    }

    Filling with(Predicate<Field> which) {
        return new Filling(asking, visitor, fields.stream().filter(which).toList(), sent);
    }
}
