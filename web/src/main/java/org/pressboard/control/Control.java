package org.pressboard.control;

import java.util.List;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/**
 * A field as somebody fills it in.
 *
 * @param text    what stands in it, as it is typed; of a row referred to, its number
 * @param shown   of a row referred to, what it is called; of several, one to a line
 * @param was     what was there when it was opened, in plain form
 * @param problem what is wrong with what was typed; empty: nothing
 * @param theirs  what somebody else put there meanwhile, as it is written; {@code null}: nobody did
 */
public record Control(Field field, Kind kind, String text, String shown, String was, String problem, @Nullable String theirs) {

    /** What stands before names of rows that are not there, among the numbers of those that are. */
    static final String UNKNOWN = "?";

    /** With what it is filled in. */
    public enum Kind { LINE, AREA, NUMBER, EMAIL, LINK, PHONE, DATE, MOMENT, TIME, YES_NO, CHOICE, CHOICES, RATING, ROW, ROWS, FILES }

    static Kind kind(FieldType type) {
        return switch (type) {
            case Textual.Text text -> Kind.LINE;
            case Textual.LongText text -> Kind.AREA;
            case Textual.FormattedText text -> Kind.AREA;
            case Textual.Email email -> Kind.EMAIL;
            case Textual.Link link -> Kind.LINK;
            case Textual.Phone phone -> Kind.PHONE;
            case Numeric.Rating rating -> Kind.RATING;
            case Numeric numeric -> Kind.NUMBER;
            case Temporal.Date date -> Kind.DATE;
            case Temporal.DateTime moment -> Kind.MOMENT;
            case Temporal.TimeOfDay time -> Kind.TIME;
            case FieldType.YesNo yesNo -> Kind.YES_NO;
            case Chosen.Choice choice -> Kind.CHOICE;
            case Chosen.Choices choices -> Kind.CHOICES;
            case Referring.References references -> Kind.ROWS;
            case Referring referring -> Kind.ROW;
            case Attached attached -> Kind.FILES;
        };
    }

    public static Control of(Field field, @Nullable Value value, WrittenForm language) {
        String plain = value == null ? "" : PlainForm.write(value);
        String shown = value == null ? "" : value.each().stream().filter(Value.Referred.class::isInstance)
                .map(each -> ((Value.Referred) each).heading()).collect(Collectors.joining("\n"));
        return new Control(field, kind(field.type()), typed(field, value, language), shown, plain, "", null);
    }

    /** As somebody would type it: numbers with the language's mark, everything else as controls of browsers send it. */
    private static String typed(Field field, @Nullable Value value, WrittenForm language) {
        if (value == null) {
            return "";
        }
        return field.type() instanceof Numeric ? language.ungrouped(Numeric.number(value)) : PlainForm.write(value);
    }

    public Control with(String typed, String wasThen) {
        return new Control(field, kind, typed, shown, wasThen, problem, theirs);
    }

    /** The same with the rows referred to by what they are called. */
    public Control called(BiFunction<Field, RowId, String> headings) {
        String names = text.lines().map(row -> RowId.read(row).map(is -> headings.apply(field, is)).orElse(""))
                .collect(Collectors.joining("\n"));
        return new Control(field, kind, text, names, was, problem, theirs);
    }

    public Control wrong(String sentence) {
        return new Control(field, kind, text, shown, was, sentence, theirs);
    }

    /** Somebody else put that there; whoever keeps theirs now does so knowingly. */
    public Control meanwhile(@Nullable Value now, WrittenForm language) {
        String written = now == null ? "" : field.type().write(now, language);
        return new Control(field, kind, text, shown, now == null ? "" : PlainForm.write(now), problem, written);
    }

    public String name() {
        return "v." + field.key();
    }

    public List<Chosen.Option> options() {
        return field.type() instanceof Chosen chosen ? chosen.options() : List.of();
    }

    public boolean has(String option) {
        return text.lines().anyMatch(option::equals);
    }

    /** What is picked but not offered any more. */
    public List<String> others() {
        return text.lines().filter(line -> options().stream().noneMatch(option -> option.text().equals(line))).toList();
    }

    public int marks() {
        return field.type() instanceof Numeric.Rating rating ? rating.most() : 0;
    }

    /** The unit or currency behind a number. */
    public String unit() {
        return field.type() instanceof Numeric.Money money ? money.currency()
                : field.type() instanceof Numeric.Percent ? "%" : field.unit();
    }

    public boolean isFormatted() {
        return field.type() instanceof Textual.FormattedText;
    }

    /** Several rows referred to, by their numbers and what they are called. */
    public List<Value.Referred> rows() {
        List<String> numbers = text.lines().toList();
        List<String> called = List.of(shown.split("\n", -1));
        return IntStream.range(0, numbers.size()).boxed().flatMap(i -> RowId.read(numbers.get(i)).stream()
                .map(row -> new Value.Referred(row, i < called.size() ? called.get(i) : ""))).toList();
    }

    /** What was typed in place of rows that are not there. */
    public List<String> unknown() {
        return text.lines().filter(line -> line.startsWith(UNKNOWN)).map(line -> line.substring(UNKNOWN.length())).toList();
    }

    /** The files in it. */
    public List<Value.Attachment> files() {
        return text.lines().filter(line -> !line.isBlank()).map(line -> (Value.Attachment) PlainForm.attachment(line))
                .toList();
    }

    public boolean isOfPictures() {
        return field.type() instanceof Attached attached && attached.isOfPictures();
    }

    public boolean isWide() {
        return kind == Kind.AREA || kind == Kind.CHOICES || kind == Kind.ROWS || kind == Kind.FILES;
    }

    static String joined(List<String> texts) {
        return texts.stream().filter(text -> !text.isEmpty()).collect(Collectors.joining("\n"));
    }
}
