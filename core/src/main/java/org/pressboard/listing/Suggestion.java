package org.pressboard.listing;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.condition.Condition;
import org.pressboard.table.Field;
import org.pressboard.table.FieldKey;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;

/** A listing to begin with: what most owners would choose for such a table. */
public final class Suggestion {

    private static final int MOST_SHOWN = 8;
    private static final int MOST_NARROWED = 4;
    private static final Set<String> NAME_LIKE = Set.of("name", "title", "label", "titel", "bezeichnung");

    private Suggestion() {
    }

    public static Listing forTable(Table table, ListingKey key) {
        Fields fields = table.fields();
        List<FieldKey> shown = shown(fields);
        return new Listing(key, table.key(), Condition.ALWAYS, shown, searched(fields, shown), narrowed(fields),
                order(fields), Listing.USUAL_PAGE_SIZE, true);
    }

    /** The first fields as they stand in the table; long texts only where there is room besides the short ones. */
    private static List<FieldKey> shown(Fields fields) {
        Stream<FieldKey> brief = fields.keysWhere(type -> !(type instanceof FieldType.LongText)).stream();
        Stream<FieldKey> lengthy = fields.keysWhere(FieldType.LongText.class::isInstance).stream();
        List<FieldKey> chosen = Stream.concat(brief, lengthy).limit(MOST_SHOWN).toList();
        return fields.stream().map(Field::key).filter(chosen::contains).toList();
    }

    /** The shown texts: a search that finds words in fields not shown would tell what stands in them. */
    private static List<FieldKey> searched(Fields fields, List<FieldKey> shown) {
        return shown.stream().filter(key -> fields.get(key).type().isText()).toList();
    }

    private static List<FieldKey> narrowed(Fields fields) {
        return fields.keysWhere(FieldType::hasFewValues).stream().limit(MOST_NARROWED).toList();
    }

    /** By what names the row: a field called so, else the first short text, else the first field to sort by. */
    private static List<SortBy> order(Fields fields) {
        Stream<Field> named = fields.stream().filter(field -> NAME_LIKE.contains(field.key().name()));
        Stream<Field> texts = fields.stream().filter(field -> field.type() instanceof FieldType.Text);
        return Stream.of(named, texts, fields.stream()).flatMap(stream -> stream)
                .filter(field -> field.type().isSortable())
                .findFirst()
                .map(field -> List.of(SortBy.up(field.key())))
                .orElse(List.of());
    }
}
