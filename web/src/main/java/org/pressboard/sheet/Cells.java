package org.pressboard.sheet;

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

/** Draws the values of rows. */
public final class Cells {

    private static final int LONGEST = 600;
    private static final int SHORTEST = 40;

    /** So many characters has a sheet at most, however many fields it shows of however many rows. */
    private static final int MOST_OF_A_SHEET = 2_000_000;

    private final Table table;
    private final List<Shown> looks;
    private final List<Field> shown;
    private final Words words;
    private final int edge;
    private int longest = LONGEST;

    /** @param edge how long the longer edge of pictures is */
    Cells(Table table, List<Shown> looks, Words words, int edge) {
        this.table = table;
        this.looks = looks;
        this.shown = looks.stream().map(look -> table.field(look.field())).toList();
        this.words = words;
        this.edge = edge;
    }

    /** @param opens the address at which a row is opened; empty where it is not */
    List<Sheet.Line> lines(List<Row> rows, Function<Row, String> opens, Function<Row, RowMark> marks) {
        Field naming = naming();
        longest = Math.clamp(MOST_OF_A_SHEET / Math.max(1, rows.size() * shown.size()), SHORTEST, LONGEST);
        return rows.stream().map(row -> new Sheet.Line(row.id(), looks.stream().map(look -> {
            Field field = table.field(look.field());
            Cell cell = cell(look, field, row).in(column(look));
            return field.equals(naming) ? cell.asName() : cell;
        }).toList(), opens.apply(row), marks.apply(row))).toList();
    }

    /** Rows to be printed, every text whole. */
    List<Sheet.Line> whole(List<Row> rows, Function<Row, RowMark> marks) {
        return rows.stream().map(row -> new Sheet.Line(row.id(), whole(row), "", marks.apply(row))).toList();
    }

    /** The cells of one row alone, to be read whole. */
    List<Cell> whole(Row row) {
        longest = Integer.MAX_VALUE;
        return looks.stream().map(look -> cell(look.with(look.format().whole(true)), table.field(look.field()), row))
                .toList();
    }

    static String column(Shown look) {
        String width = look.width() == Shown.Width.FITTING ? "" : " wide-" + look.width().name().toLowerCase(Locale.ROOT);
        return look.align() == Shown.Align.USUAL ? width
                : width + " to-" + look.align().name().toLowerCase(Locale.ROOT);
    }

    /** The field by which people know a row: that of the table, else the first of short texts, else no picture. */
    private @Nullable Field naming() {
        return table.headingField().filter(shown::contains)
                .or(() -> shown.stream().filter(field -> field.type() instanceof Textual.Text).findFirst())
                .or(() -> shown.stream().filter(field -> !(field.type() instanceof Attached)).findFirst())
                .orElse(null);
    }

    /** One value of a row as it is drawn. */
    private Cell cell(Shown look, Field field, Row row) {
        Value value = row.get(field.key());
        Format format = look.format();
        String text = words.written(table, field, row, format);
        String label = look.labelOf(field);
        return switch (field.type()) {
            case Textual textual -> textual(textual, text, label, format);
            case Numeric.Rating rating -> format.figures() ? Cell.of("number", text, label)
                    : Cell.leading("rating", text, text.isEmpty() ? "" : "/" + rating.most(), label);
            case Numeric numeric -> Cell.of("number", text, label);
            case Temporal temporal -> Cell.of("when", text, label);
            case FieldType.YesNo yesNo -> Cell.of("text", text, label);
            case Chosen chosen -> new Cell("tag", shortened(text), "", label, false, tags(chosen, value, format));
            case Referring referring -> Cell.of("text", shortened(text), label);
            case Attached attached -> attached(attached, label, row, value, format);
        };
    }

    private Cell textual(Textual type, String text, String label, Format format) {
        String said = format.linkText().isEmpty() || text.isEmpty() ? text : format.linkText();
        return switch (type) {
            case Textual.Text t -> Cell.of("text", shortened(text), label);
            case Textual.LongText t -> lengthy("long", text, label, format);
            case Textual.FormattedText t -> lengthy("formatted", text, label, format);
            case Textual.Email t -> Cell.leading("link", said, "mailto:" + text, label);
            case Textual.Link t -> Cell.leading("link", said.equals(text) ? shortened(withoutScheme(text)) : said,
                    text, label);
            case Textual.Phone t -> Cell.leading("link", said, "tel:" + text.replaceAll("[^+0-9]", ""), label);
        };
    }

    private Cell lengthy(String kind, String text, String label, Format format) {
        return format.whole() ? Cell.of(kind + " whole", text, label) : Cell.of(kind, shortened(text), label);
    }

    private List<Cell.Tag> tags(Chosen type, @Nullable Value value, Format format) {
        return value == null ? List.of() : value.each().stream().map(PlainForm::write)
                .map(text -> new Cell.Tag(shortened(format.cased(text, words.language())), colour(type, text))).toList();
    }

    private static String colour(Chosen type, String text) {
        return type.colourOf(text).name().toLowerCase(Locale.ROOT);
    }

    /** A picture is read out as what it is a picture of; of several the first is shown, and how many there are. */
    private Cell attached(Attached type, String label, Row row, @Nullable Value value, Format format) {
        String kind = type.isOfPictures() ? "picture" : "link";
        if (value == null || !(value.each().getFirst() instanceof Value.Attachment file)) {
            return Cell.of(kind, "", label);
        }
        if (!file.isThere()) {
            return Cell.of("text", shortened(type.write(value, words.written().as(format))), label);
        }
        String address = FileAnswer.address(table.key().name(), file.content(), file.name());
        if (!type.isOfPictures()) {
            return Cell.leading(kind, shortened(file.name()), address, label);
        }
        int others = value.each().size() - 1;
        return new Cell(kind, named(row).orElse(label), address + "?edge=" + edge(format), label,
                false, others == 0 ? List.of() : List.of(new Cell.Tag("+" + others, "plain")));
    }

    private int edge(Format format) {
        return Math.max(edge, switch (format.pictures()) {
            case SMALL -> FileAnswer.IN_LISTS;
            case MIDDLE -> 2 * FileAnswer.IN_LISTS;
            case LARGE -> FileAnswer.IN_CARDS;
        });
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
