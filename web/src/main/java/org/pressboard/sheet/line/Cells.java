package org.pressboard.sheet.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.Shown;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.Format;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.pressboard.words.Words;

/** Draws the values of rows. */
public final class Cells {

    private static final int LONGEST = 600;
    private static final int SHORTEST = 40;

    /** So many characters has a sheet at most, however many fields it shows of however many rows. */
    private static final int MOST_OF_A_SHEET = 2_000_000;

    private final Table table;
    private final List<Column> columns;
    private final Words words;
    private final int edge;
    private int longest = LONGEST;

    /** All that the cells of a column have in common. */
    private record Column(Shown look, Field field, String label, String classes, boolean naming) {

        Column whole() {
            return new Column(look.with(look.format().whole(true)), field, label, "", false);
        }
    }

    /** @param edge how long the longer edge of pictures is */
    public Cells(Table table, List<Shown> looks, Words words, int edge) {
        this.table = table;
        this.words = words;
        this.edge = edge;
        List<Field> shown = looks.stream().map(look -> table.field(look.field())).toList();
        Field naming = naming(table, shown);
        this.columns = looks.stream().map(look -> {
            Field field = table.field(look.field());
            return new Column(look, field, look.labelOf(field), column(look), field.equals(naming));
        }).toList();
    }

    /** @param opens the address at which a row is opened; empty where it is not */
    public List<Line> lines(List<Row> rows, Function<Row, String> opens, Function<Row, RowMark> marks) {
        longest = Math.clamp(MOST_OF_A_SHEET / Math.max(1, rows.size() * columns.size()), SHORTEST, LONGEST);
        List<Line> lines = new ArrayList<>(rows.size());
        for (Row row : rows) {
            lines.add(new Line(row.id(), cells(columns, row), opens.apply(row), marks.apply(row)));
        }
        return lines;
    }

    /** Rows to be printed, every text whole. */
    public List<Line> whole(List<Row> rows, Function<Row, RowMark> marks) {
        List<Column> whole = whole();
        return rows.stream().map(row -> new Line(row.id(), cells(whole, row), "", marks.apply(row))).toList();
    }

    /** The cells of one row alone, to be read whole. */
    public List<Cell> whole(Row row) {
        return cells(whole(), row);
    }

    private List<Column> whole() {
        longest = Integer.MAX_VALUE;
        return columns.stream().map(Column::whole).toList();
    }

    private List<Cell> cells(List<Column> of, Row row) {
        List<Cell> cells = new ArrayList<>(of.size());
        for (Column column : of) {
            cells.add(cell(column, row));
        }
        return cells;
    }

    public static String column(Shown look) {
        String width = look.width() == Shown.Width.FITTING ? "" : " wide-" + look.width().name().toLowerCase(Locale.ROOT);
        return look.align() == Shown.Align.USUAL ? width
                : width + " to-" + look.align().name().toLowerCase(Locale.ROOT);
    }

    /** The field by which people know a row: that of the table, else the first of short texts, else no picture. */
    private static @Nullable Field naming(Table table, List<Field> shown) {
        return table.headingField().filter(shown::contains)
                .or(() -> shown.stream().filter(field -> field.type() instanceof Textual.Text).findFirst())
                .or(() -> shown.stream().filter(field -> !(field.type() instanceof Attached)).findFirst())
                .orElse(null);
    }

    private Cell cell(Column column, Row row) {
        return new Cell(content(column, row), column.label, column.naming, column.classes);
    }

    /** One value of a row as it is drawn. */
    private Content content(Column column, Row row) {
        Value value = row.get(column.field.key());
        Format format = column.look.format();
        String text = words.written(table, column.field, row, format);
        return switch (column.field.type()) {
            case Textual textual -> textual(textual, text, format);
            case Numeric.Rating rating -> format.figures() ? new Content.Figures(text) : new Content.Rating(text, rating.most());
            case Numeric numeric -> new Content.Figures(text);
            case Temporal temporal -> new Content.Time(text);
            case FieldType.YesNo yesNo -> new Content.YesNo(text, value instanceof Value.YesNo(boolean yes) && yes);
            case Chosen chosen -> new Content.Tags(shortened(text), tags(chosen, value, format));
            case Referring referring -> new Content.Text(shortened(text));
            case Attached attached -> attached(attached, column, row, value, format);
        };
    }

    private Content textual(Textual type, String text, Format format) {
        String said = format.linkText().isEmpty() || text.isEmpty() ? text : format.linkText();
        return switch (type) {
            case Textual.Text t -> new Content.Text(shortened(text));
            case Textual.LongText t -> new Content.Lines(format.whole() ? text : shortened(text), format.whole());
            case Textual.FormattedText t -> new Content.Formatted(format.whole() ? text : shortened(text), format.whole());
            case Textual.Email t -> new Content.Link(said, "mailto:" + text);
            case Textual.Link t -> new Content.Link(said.equals(text) ? shortened(withoutScheme(text)) : said, text);
            case Textual.Phone t -> new Content.Link(said, "tel:" + text.replaceAll("[^+0-9]", ""));
        };
    }

    private List<Content.Tag> tags(Chosen type, @Nullable Value value, Format format) {
        return value == null ? List.of() : value.each().stream().map(PlainForm::write)
                .map(text -> new Content.Tag(shortened(format.cased(text, words.language())), colour(type, text))).toList();
    }

    private static String colour(Chosen type, String text) {
        return type.colourOf(text).name().toLowerCase(Locale.ROOT);
    }

    /** A picture is read out as what it is a picture of; of several the first is shown, and how many there are. */
    private Content attached(Attached type, Column column, Row row, @Nullable Value value, Format format) {
        if (value == null || !(value.each().getFirst() instanceof Value.Attachment file)) {
            return type.isOfPictures() ? Content.Picture.NONE : new Content.Link("", "");
        }
        if (!file.isThere()) {
            return new Content.Text(shortened(type.write(value, words.written().as(format))));
        }
        String address = FileAnswer.address(table.key().name(), file.content(), file.name());
        return type.isOfPictures() ? new Content.Picture(named(row).orElse(column.label), address + "?edge=" + edge(format),
                value.each().size() - 1) : new Content.Link(shortened(file.name()), address);
    }

    private int edge(Format format) {
        return Math.max(edge, switch (format.pictures()) {
            case SMALL -> FileAnswer.IN_LISTS;
            case MIDDLE -> 2 * FileAnswer.IN_LISTS;
            case LARGE -> FileAnswer.IN_CARDS;
        });
    }

    private Optional<String> named(Row row) {
        return columns.stream().map(Column::field).filter(field -> field.type() instanceof Textual.Text)
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
