package org.pressboard.listing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.value.FieldKey;

/**
 * What a listing shows of each row, and in which layout.
 *
 * @param earlier the layouts that it had before, as they were, the last first; whoever returns to one finds it so
 * @param fields  the fields in their order, which on a phone says what gives way first: the last do
 * @param totals  of which numbers among the fields it says what those of all rows that match come to
 */
public record Show(Layout layout, List<Layout> earlier, List<Shown> fields, List<FieldKey> totals) {

    public Show {
        earlier = List.copyOf(earlier);
        fields = List.copyOf(fields);
        List<FieldKey> shown = fields.stream().map(Shown::field).toList();
        totals = totals.stream().filter(shown::contains).distinct().toList();
    }

    /** A table of these fields, as their table has them. */
    public static Show table(List<FieldKey> fields) {
        return new Show(Layout.usual(LayoutKind.TABLE), List.of(), fields.stream().map(Shown::usual).toList(), List.of());
    }

    public List<FieldKey> keys() {
        return fields.stream().map(Shown::field).toList();
    }

    public Optional<Shown> find(FieldKey field) {
        return fields.stream().filter(shown -> shown.field().equals(field)).findFirst();
    }

    /** The same in another layout: as it was when it was chosen last, but for what cards look like, which is the same in all. */
    public Show in(LayoutKind kind) {
        if (kind == layout.kind()) {
            return this;
        }
        List<Layout> had = Stream.concat(Stream.of(layout), earlier.stream()).toList();
        Layout next = had.stream().filter(each -> each.kind() == kind).findFirst().orElse(Layout.usual(kind));
        Optional<CardFace> face = had.stream().flatMap(each -> each.cards().stream()).findFirst();
        return new Show(next.facing(face::orElse), had.stream().filter(each -> each.kind() != kind).toList(), fields, totals);
    }

    /** The same with the layout changed, which stays of its kind. */
    public Show laidOut(UnaryOperator<Layout> change) {
        return new Show(change.apply(layout), earlier, fields, totals);
    }

    /** The same with a field behind the others, unless it is shown already. */
    public Show adding(FieldKey field) {
        List<Shown> more = new ArrayList<>(fields);
        if (find(field).isEmpty()) {
            more.add(Shown.usual(field));
        }
        return new Show(layout, earlier, more, totals);
    }

    public Show without(FieldKey field) {
        return keeping(each -> !each.equals(field));
    }

    /** The same with those fields only. */
    public Show keeping(Predicate<FieldKey> which) {
        return new Show(layout, earlier, fields.stream().filter(shown -> which.test(shown.field())).toList(), totals);
    }

    /** The same with the fields in that order; those that it does not name stay behind, as they are. */
    public Show ordered(List<FieldKey> order) {
        List<Shown> ordered = new ArrayList<>();
        order.forEach(key -> find(key).filter(shown -> !ordered.contains(shown)).ifPresent(ordered::add));
        fields.stream().filter(shown -> !ordered.contains(shown)).forEach(ordered::add);
        return new Show(layout, earlier, ordered, totals);
    }

    /** The same with one of the fields shown otherwise. */
    public Show changing(FieldKey field, UnaryOperator<Shown> change) {
        return new Show(layout, earlier, fields.stream().map(shown -> shown.field().equals(field) ? change.apply(shown) : shown)
                .toList(), totals);
    }

    /** The same with totals of these. */
    public Show totalling(List<FieldKey> numbers) {
        return new Show(layout, earlier, fields, numbers);
    }
}
