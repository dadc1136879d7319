package org.pressboard.sheet;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/** Draws the values of rows. */
public final class Cells {

    private static final int LONGEST = 600;
    private static final int SHORTEST = 40;

    /** So many characters has a sheet at most, however many fields it shows of however many rows. */
    private static final int MOST_OF_A_SHEET = 2_000_000;

    private final Table table;
    private final List<Field> shown;
    private final Words words;
    private int longest = LONGEST;

    public Cells(Table table, List<Field> shown, Words words) {
        this.table = table;
        this.shown = shown;
        this.words = words;
    }

    List<Sheet.Line> lines(List<Row> rows) {
        Field naming = naming();
        longest = Math.clamp(MOST_OF_A_SHEET / Math.max(1, rows.size() * shown.size()), SHORTEST, LONGEST);
        return rows.stream().map(row -> new Sheet.Line(row.id(), shown.stream()
                .map(field -> field.equals(naming) ? cell(field, row).asName() : cell(field, row)).toList())).toList();
    }

    /** The field by which people know a row: that of the table, else the first of short texts, else no picture. */
    private @Nullable Field naming() {
        return table.headingField().filter(shown::contains)
                .or(() -> shown.stream().filter(field -> field.type() instanceof Textual.Text).findFirst())
                .or(() -> shown.stream().filter(field -> !(field.type() instanceof Attached)).findFirst())
                .orElse(null);
    }

    /** One value of a row as it is drawn. */
    public Cell cell(Field field, Row row) {
        Value value = row.get(field.key());
        String text = words.written(table, field, row);
        return switch (field.type()) {
            case Textual textual -> textual(textual, text, field);
            case Numeric.Rating rating -> Cell.leading("rating", text, text.isEmpty() ? "" : "/" + rating.most(),
                    field.label());
            case Numeric numeric -> Cell.of("number", text, field.label());
            case Temporal temporal -> Cell.of("when", text, field.label());
            case FieldType.YesNo yesNo -> Cell.of("text", text, field.label());
            case Chosen chosen -> new Cell("tag", shortened(text), "", field.label(), false, tags(chosen, value));
            case Referring referring -> Cell.of("text", shortened(text), field.label());
            case Attached attached -> attached(attached, field, row, value);
        };
    }

    private Cell textual(Textual type, String text, Field field) {
        return switch (type) {
            case Textual.Text t -> Cell.of("text", shortened(text), field.label());
            case Textual.LongText t -> Cell.of("long", shortened(text), field.label());
            case Textual.FormattedText t -> Cell.of("formatted", shortened(text), field.label());
            case Textual.Email t -> Cell.leading("link", text, "mailto:" + text, field.label());
            case Textual.Link t -> Cell.leading("link", shortened(withoutScheme(text)), text, field.label());
            case Textual.Phone t -> Cell.leading("link", text, "tel:" + text.replaceAll("[^+0-9]", ""), field.label());
        };
    }

    private List<Cell.Tag> tags(Chosen type, @Nullable Value value) {
        return value == null ? List.of() : value.each().stream().map(PlainForm::write)
                .map(text -> new Cell.Tag(shortened(text), colour(type, text))).toList();
    }

    private static String colour(Chosen type, String text) {
        return type.colourOf(text).name().toLowerCase(java.util.Locale.ROOT);
    }

    /** A picture is read out as what it is a picture of; of several the first is shown, and how many there are. */
    private Cell attached(Attached type, Field field, Row row, @Nullable Value value) {
        String kind = type.isOfPictures() ? "picture" : "link";
        if (value == null || !(value.each().getFirst() instanceof Value.Attachment file)) {
            return Cell.of(kind, "", field.label());
        }
        if (!file.isThere()) {
            return Cell.of("text", shortened(type.write(value, words.written())), field.label());
        }
        String address = FileAnswer.address(table.key().name(), file.content(), file.name());
        if (!type.isOfPictures()) {
            return Cell.leading(kind, shortened(file.name()), address, field.label());
        }
        int others = value.each().size() - 1;
        return new Cell(kind, named(row).orElse(field.label()), address + "?edge=" + FileAnswer.IN_LISTS, field.label(),
                false, others == 0 ? List.of() : List.of(new Cell.Tag("+" + others, "plain")));
    }

    private Optional<String> named(Row row) {
        return shown.stream().filter(field -> field.type() instanceof Textual.Text)
                .map(field -> row.get(field.key())).filter(Value.Text.class::isInstance)
                .map(value -> ((Value.Text) value).text()).findFirst();
    }

    private String shortened(String text) {
        return text.length() <= longest ? text : text.substring(0, longest) + "…";
    }

    private static String withoutScheme(String address) {
        return address.replaceFirst("^[a-zA-Z]+://", "").replaceAll("/$", "");
    }
}
