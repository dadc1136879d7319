package org.pressboard.listing;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.pressboard.value.FieldKey;

/**
 * What visitors may do to find rows.
 *
 * @param search   the fields in which words are searched; none: there is no search
 * @param hint     what stands in the empty search box; empty: what it searches
 * @param narrow   the fields by whose values rows are narrowed
 * @param unsorted whether rows stay in the listing's own order, whatever visitors would like
 * @param words    what is searched before anybody says otherwise; empty: nothing
 * @param by       the controls of the narrowed fields, of those for which there is something to say
 */
public record Finding(List<FieldKey> search, String hint, List<FieldKey> narrow, boolean unsorted, List<NarrowBy> by,
                      SearchForm form, String words) {

    public static final int LONGEST_HINT = 60;

    /** Where people say what they look for. */
    public enum SearchForm {
        /** In a bar over the rows, which follow at once. */
        BAR,
        /** In a form with a box for each field, whose rows come when it is sent. */
        BOXES,
        /** In such a form, before which there are no rows. */
        BOXES_FIRST;

        public boolean isOfBoxes() {
            return this != BAR;
        }
    }

    public Finding {
        search = List.copyOf(search);
        hint = Objects.requireNonNullElse(hint, "");
        narrow = List.copyOf(narrow);
        by = by == null ? List.of() : by.stream().filter(each -> !each.isUsual()).toList();
        form = Objects.requireNonNullElse(form, SearchForm.BAR);
        words = search.isEmpty() || form.isOfBoxes() ? "" : Objects.requireNonNullElse(words, "").strip();
    }

    public static Finding by(List<FieldKey> search, List<FieldKey> narrow) {
        return new Finding(search, "", narrow, false, List.of(), SearchForm.BAR, "");
    }

    /** By which control a field is narrowed. */
    public NarrowBy by(FieldKey field) {
        return by.stream().filter(each -> each.field().equals(field)).findFirst().orElse(NarrowBy.usual(field));
    }

    /** The controls of all narrowed fields, in their order. */
    public List<NarrowBy> controls() {
        return narrow.stream().map(this::by).toList();
    }

    /** The same for those fields only. */
    Finding among(Predicate<FieldKey> which) {
        return new Finding(search.stream().filter(which).toList(), hint, narrow.stream().filter(which).toList(),
                unsorted, by, form, words);
    }

    public Finding searching(List<FieldKey> fields) {
        return new Finding(fields, hint, narrow, unsorted, by, form, words);
    }

    public Finding hinting(String text) {
        return new Finding(search, text, narrow, unsorted, by, form, words);
    }

    public Finding narrowing(List<FieldKey> fields) {
        return new Finding(search, hint, fields, unsorted, by, form, words);
    }

    public Finding sorting(boolean maySort) {
        return new Finding(search, hint, narrow, !maySort, by, form, words);
    }

    /** The same with these words searched before anybody says otherwise. */
    public Finding starting(String searched) {
        return new Finding(search, hint, narrow, unsorted, by, form, searched);
    }

    public Finding in(SearchForm other) {
        return new Finding(search, hint, narrow, unsorted, by, other, words);
    }

    /** The same with another control for a field. */
    public Finding changing(FieldKey field, UnaryOperator<NarrowBy> change) {
        List<NarrowBy> others = new ArrayList<>(by.stream().filter(each -> !each.field().equals(field)).toList());
        others.add(change.apply(by(field)));
        return new Finding(search, hint, narrow, unsorted, others, form, words);
    }
}
