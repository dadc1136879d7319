package org.pressboard.listing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;

/** A listing to begin with: what most owners would choose for such a table. */
public final class Suggestion {

    private static final int MOST_SHOWN = 8;
    private static final int NOTHING = 4;

    private Suggestion() {
    }

    /**
     * @param differ whether the values of a field are all there and all different; asked of one field at most
     */
    public static Listing forTable(Table table, ListingKey key, Predicate<FieldKey> differ) {
        Fields fields = table.fields();
        List<FieldKey> shown = shown(fields);
        return Listing.plain(key, table.key(), shown)
                .with(shown.size() < fields.all().size() ? opened(fields) : Opening.NONE)
                .with(Finding.by(searchable(fields, shown), narrowable(fields, shown)))
                .with(Ordering.by(order(fields, shown, differ))).takenAwayAs(EnumSet.allOf(TakeAway.class));
    }

    /** The listing with a field shown behind the others, found by as most owners would; as it is where it shows it. */
    public static Listing adding(Listing listing, Field field) {
        if (listing.shown().contains(field.key())) {
            return listing;
        }
        List<FieldKey> search = new ArrayList<>(listing.find().search());
        List<FieldKey> narrow = new ArrayList<>(listing.find().narrow());
        if (field.type().isText() && !search.isEmpty()) {
            search.add(field.key());
        }
        if (worth(field.type()) < NOTHING && !narrow.isEmpty()) {
            narrow.add(field.key());
        }
        return listing.with(listing.show().adding(field.key()))
                .with(listing.find().searching(search).narrowing(narrow));
    }

    /**
     * The listing with the form in which people say what they look for. In a form with boxes each field that was searched has a
     * box of its own, and there is none for all of them, unless somebody says so afterwards.
     */
    public static Listing asking(Listing listing, Fields fields, Finding.SearchForm form) {
        Finding find = listing.find();
        if (form.isOfBoxes() == find.form().isOfBoxes()) {
            return listing.with(find.in(form));
        }
        if (form.isOfBoxes()) {
            List<FieldKey> boxes = Stream.concat(find.search().stream()
                    .filter(key -> !NarrowBy.offered(fields.get(key).type()).isEmpty()), find.narrow().stream()).distinct().toList();
            return listing.with(find.in(form).searching(List.of()).narrowing(boxes));
        }
        List<FieldKey> narrow = find.narrow().stream().filter(key -> worth(fields.get(key).type()) < NOTHING).toList();
        return listing.with(find.in(form).searching(find.search().isEmpty() ? searchable(fields, listing.shown()) : find.search())
                .narrowing(narrow));
    }

    /**
     * The listing with a field that its table has just got, where nobody has chosen among the others: in the list as long as
     * there is room, else on the opened row.
     */
    public static Listing joining(Listing listing, Fields before, Field field) {
        if (!before.stream().map(Field::key).allMatch(listing.seen()::contains) || listing.seen().contains(field.key())) {
            return listing;
        }
        Listing more = adding(listing, field);
        if (listing.shown().size() < MOST_SHOWN && !isLengthy(field.type())) {
            return more.opening().fields().isEmpty() ? more : more.with(more.opening().adding(field.key()));
        }
        return listing.with((listing.opening().fields().isEmpty() ? opened(before) : listing.opening()).adding(field.key()));
    }

    /** All fields on a row that is laid over the list: where the list shows fewer than there are. */
    private static Opening opened(Fields fields) {
        return Opening.NONE.by(Opening.How.NARROW_SLIP).showing(fields.stream().map(field -> Shown.usual(field.key())).toList());
    }

    /** The first fields as they stand in the table; long texts only where there is room besides the short ones. */
    private static List<FieldKey> shown(Fields fields) {
        Stream<FieldKey> brief = fields.keysWhere(type -> !isLengthy(type)).stream();
        Stream<FieldKey> lengthy = fields.keysWhere(Suggestion::isLengthy).stream();
        List<FieldKey> chosen = Stream.concat(brief, lengthy).limit(MOST_SHOWN).toList();
        return fields.stream().map(Field::key).filter(chosen::contains).toList();
    }

    /** The shown texts: a search that finds words in fields not shown would tell what stands in them. */
    public static List<FieldKey> searchable(Fields fields, List<FieldKey> shown) {
        return shown.stream().filter(key -> fields.get(key).type().isText()).toList();
    }

    /** Those of the shown fields by which people narrow, those first that help most. */
    public static List<FieldKey> narrowable(Fields fields, List<FieldKey> shown) {
        return shown.stream().filter(key -> worth(fields.get(key).type()) < NOTHING)
                .sorted(Comparator.comparingInt(key -> worth(fields.get(key).type()))).toList();
    }

    private static int worth(FieldType type) {
        return switch (type) {
            case Chosen chosen -> 0;
            case Referring referring -> 0;
            case FieldType.YesNo yesNo -> 1;
            case Temporal temporal -> 2;
            case Numeric numeric -> 3;
            case Textual textual -> NOTHING;
            case Attached attached -> NOTHING;
        };
    }

    private static boolean isLengthy(FieldType type) {
        return type instanceof Textual.LongText || type instanceof Textual.FormattedText;
    }

    /** By what names the rows, if the first field does; else as the file has them, which somebody chose. */
    private static List<SortBy> order(Fields fields, List<FieldKey> shown, Predicate<FieldKey> differ) {
        return shown.stream().limit(1)
                .filter(key -> fields.get(key).type() instanceof Textual.Text && differ.test(key))
                .map(SortBy::up).toList();
    }
}
