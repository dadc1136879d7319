package org.pressboard.listing;

import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import org.pressboard.value.FieldKey;

/**
 * What visitors may do to find rows.
 *
 * @param search   the fields in which words are searched; none: there is no search
 * @param hint     what stands in the empty search box; empty: what it searches
 * @param narrow   the fields by whose values rows are narrowed
 * @param unsorted whether rows stay in the listing's own order, whatever visitors would like
 */
public record Finding(List<FieldKey> search, String hint, List<FieldKey> narrow, boolean unsorted) {

    public static final int LONGEST_HINT = 60;

    public Finding {
        search = List.copyOf(search);
        hint = Objects.requireNonNullElse(hint, "");
        narrow = List.copyOf(narrow);
    }

    public static Finding by(List<FieldKey> search, List<FieldKey> narrow) {
        return new Finding(search, "", narrow, false);
    }

    /** The same for those fields only. */
    Finding among(Predicate<FieldKey> which) {
        return new Finding(search.stream().filter(which).toList(), hint, narrow.stream().filter(which).toList(), unsorted);
    }

    public Finding searching(List<FieldKey> fields) {
        return new Finding(fields, hint, narrow, unsorted);
    }

    public Finding hinting(String words) {
        return new Finding(search, words, narrow, unsorted);
    }

    public Finding narrowing(List<FieldKey> fields) {
        return new Finding(search, hint, fields, unsorted);
    }

    public Finding sorting(boolean maySort) {
        return new Finding(search, hint, narrow, !maySort);
    }
}
