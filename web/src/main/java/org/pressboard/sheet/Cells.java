package org.pressboard.sheet;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Table;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.springframework.web.util.UriUtils;

/** Draws the values of rows. */
final class Cells {

    private static final int LONGEST = 600;
    private static final int SHORTEST = 40;

    /** So many characters has a sheet at most, however many fields it shows of however many rows. */
    private static final int MOST_OF_A_SHEET = 2_000_000;

    private final Table table;
    private final List<Field> shown;
    private final Words words;
    private int longest = LONGEST;

    Cells(Table table, List<Field> shown, Words words) {
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

    /** The field by which people know a row: the first of short texts, else the first that is no picture. */
    private @Nullable Field naming() {
        return Stream.concat(shown.stream().filter(field -> field.type() instanceof FieldType.Text),
                shown.stream().filter(field -> !(field.type() instanceof FieldType.Picture))).findFirst().orElse(null);
    }

    private Cell cell(Field field, Row row) {
        Value value = row.get(field.key());
        String text = value == null ? "" : words.written().write(field.type(), value);
        return switch (field.type()) {
            case FieldType.WholeNumber t -> plain("number", text, field);
            case FieldType.Decimal t -> plain("number", text, field);
            case FieldType.LongText t -> plain("long", shortened(text), field);
            case FieldType.Choice t -> plain("tag", shortened(text), field);
            case FieldType.Email t -> new Cell("link", text, "mailto:" + text, field.label(), false);
            case FieldType.Link t -> new Cell("link", shortened(withoutScheme(text)), text, field.label(), false);
            case FieldType.Picture t -> picture(field, row, value);
            case FieldType.Text t -> plain("text", shortened(text), field);
            case FieldType.YesNo t -> plain("text", text, field);
            case FieldType.Date t -> plain("when", text, field);
            case FieldType.DateTime t -> plain("when", text, field);
        };
    }

    private static Cell plain(String kind, String text, Field field) {
        return new Cell(kind, text, "", field.label(), false);
    }

    /** A picture is read out as what it is a picture of. */
    private Cell picture(Field field, Row row, @Nullable Value value) {
        if (!(value instanceof Value.Text(String name))) {
            return plain("picture", "", field);
        }
        String address = "/files/" + table.key() + "/" + UriUtils.encodePathSegment(name, "UTF-8");
        return new Cell("picture", named(row).orElse(field.label()), address, field.label(), false);
    }

    private Optional<String> named(Row row) {
        return shown.stream().filter(field -> field.type() instanceof FieldType.Text)
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
