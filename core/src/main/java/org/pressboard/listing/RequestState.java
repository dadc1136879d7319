package org.pressboard.listing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import org.pressboard.condition.Condition;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * What a visitor asks of a listing: the state that the address bar carries.
 *
 * @param search    the words searched; empty: none
 * @param narrowing what each narrowed field is narrowed to
 * @param sort      the order asked for; empty: the listing's own
 * @param page      the page, from 1
 * @param size      rows on a page
 */
public record RequestState(String search, SortedMap<FieldKey, Narrowing> narrowing, List<SortBy> sort, int page,
                           int size) {

    static final int MOST_WORDS = 10;

    public RequestState {
        TreeMap<FieldKey, Narrowing> narrowed = new TreeMap<>(narrowing);
        narrowed.values().removeIf(Narrowing::isOpen);
        narrowing = Collections.unmodifiableSortedMap(narrowed);
        sort = List.copyOf(sort);
        if (page < 1 || size < 1) {
            throw new IllegalArgumentException("Pages and their sizes count from 1");
        }
    }

    /** What the plain address asks of a listing. */
    public static RequestState startOf(Listing listing) {
        return new RequestState(listing.find().words(), starts(listing), List.of(), 1, listing.ordering().startSize());
    }

    private static TreeMap<FieldKey, Narrowing> starts(Listing listing) {
        TreeMap<FieldKey, Narrowing> starts = new TreeMap<>();
        listing.find().controls().forEach(control -> starts.put(control.field(), control.start()));
        return starts;
    }

    public RequestState withSearch(String words) {
        return new RequestState(words, narrowing, sort, 1, size);
    }

    public RequestState withSort(List<SortBy> order) {
        return new RequestState(search, narrowing, order, 1, size);
    }

    public RequestState withPage(int number) {
        return new RequestState(search, narrowing, sort, number, size);
    }

    public RequestState withSize(int rows) {
        return new RequestState(search, narrowing, sort, 1, rows);
    }

    public RequestState narrowed(FieldKey field, Narrowing to) {
        TreeMap<FieldKey, Narrowing> more = new TreeMap<>(narrowing);
        more.put(field, to);
        return new RequestState(search, more, sort, 1, size);
    }

    /** The same without one of the values a field is narrowed to. */
    public RequestState without(FieldKey field, Value value) {
        return narrowed(field, narrowingOf(field).withoutValue(value));
    }

    /** The same with a field not narrowed at all. */
    public RequestState without(FieldKey field) {
        return narrowed(field, Narrowing.OPEN);
    }

    /** The same order and page size, nothing searched or narrowed. */
    public RequestState cleared() {
        return new RequestState("", new TreeMap<>(), sort, 1, size);
    }

    public boolean isNarrowed() {
        return !search.isBlank() || !narrowing.isEmpty();
    }

    public Narrowing narrowingOf(FieldKey field) {
        return narrowing.getOrDefault(field, Narrowing.OPEN);
    }

    /** Which rows are sought: each word in one of the searched fields, and each narrowed field as narrowed. */
    Condition sought(List<FieldKey> searched) {
        List<Condition> parts = new ArrayList<>();
        words().forEach(word -> parts.add(new Condition.Mentions(searched, word)));
        for (Map.Entry<FieldKey, Narrowing> entry : narrowing.entrySet()) {
            parts.add(entry.getValue().condition(entry.getKey()));
        }
        return Condition.all(parts);
    }

    private List<String> words() {
        return search.isBlank() ? List.of() : List.of(search.strip().split("\\s+")).stream().limit(MOST_WORDS).toList();
    }
}
