package org.pressboard.listing;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.pressboard.value.FieldKey;

/**
 * What a listing shows of each row, and in which layout.
 *
 * @param fields the fields in their order, which on a phone says what gives way first: the last do
 * @param cards  how cards look; kept also while the layout is another
 * @param totals of which numbers among the fields it says what those of all rows that match come to
 */
public record Show(Layout layout, List<Shown> fields, Cards cards, List<FieldKey> totals) {

    /** How rows are laid out. */
    public enum Layout {
        TABLE,
        CARDS,
        /** Cards in one row that scrolls sideways. */
        STRIP;

        public boolean isOfCards() {
            return this != TABLE;
        }
    }

    public Show {
        layout = Objects.requireNonNullElse(layout, Layout.TABLE);
        fields = List.copyOf(fields);
        cards = Objects.requireNonNullElse(cards, Cards.USUAL);
        List<FieldKey> shown = fields.stream().map(Shown::field).toList();
        totals = totals == null ? List.of() : totals.stream().filter(shown::contains).distinct().toList();
    }

    /** A table of these fields, as their table has them. */
    public static Show table(List<FieldKey> fields) {
        return new Show(Layout.TABLE, fields.stream().map(Shown::usual).toList(), Cards.USUAL, List.of());
    }

    public List<FieldKey> keys() {
        return fields.stream().map(Shown::field).toList();
    }

    public Optional<Shown> find(FieldKey field) {
        return fields.stream().filter(shown -> shown.field().equals(field)).findFirst();
    }

    public Show in(Layout other) {
        return new Show(other, fields, cards, totals);
    }

    public Show with(Cards others) {
        return new Show(layout, fields, others, totals);
    }

    /** The same with a field behind the others, unless it is shown already. */
    public Show adding(FieldKey field) {
        List<Shown> more = new ArrayList<>(fields);
        if (find(field).isEmpty()) {
            more.add(Shown.usual(field));
        }
        return new Show(layout, more, cards, totals);
    }

    public Show without(FieldKey field) {
        return keeping(each -> !each.equals(field));
    }

    /** The same with those fields only. */
    public Show keeping(Predicate<FieldKey> which) {
        return new Show(layout, fields.stream().filter(shown -> which.test(shown.field())).toList(), cards,
                totals);
    }

    /** The same with the fields in that order; those that it does not name stay behind, as they are. */
    public Show ordered(List<FieldKey> order) {
        List<Shown> ordered = new ArrayList<>();
        order.forEach(key -> find(key).filter(shown -> !ordered.contains(shown)).ifPresent(ordered::add));
        fields.stream().filter(shown -> !ordered.contains(shown)).forEach(ordered::add);
        return new Show(layout, ordered, cards, totals);
    }

    /** The same with one of the fields shown otherwise. */
    public Show changing(FieldKey field, UnaryOperator<Shown> change) {
        return new Show(layout, fields.stream().map(shown -> shown.field().equals(field) ? change.apply(shown) : shown)
                .toList(), cards, totals);
    }

    /** The same with totals of these. */
    public Show totalling(List<FieldKey> numbers) {
        return new Show(layout, fields, cards, numbers);
    }
}
