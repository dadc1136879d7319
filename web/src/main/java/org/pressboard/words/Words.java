package org.pressboard.words;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.pressboard.listing.Total;
import org.pressboard.problem.Problem;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Format;
import org.pressboard.value.Row;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;
import org.springframework.context.MessageSource;
import org.springframework.context.i18n.LocaleContextHolder;

/** The words and written values of one language. For one request. */
public final class Words {

    private final MessageSource messages;
    private final Locale language;
    private final WrittenForm written;
    private final Map<Format, WrittenForm> forms = new HashMap<>();

    public Words(MessageSource messages, Locale language) {
        this.messages = messages;
        this.language = language;
        this.written = new WrittenForm(language, say("value.yes"), say("value.no"));
    }

    /** In the language of the request that is answered, which is the site's. */
    public static Words ofRequest(MessageSource messages) {
        return new Words(messages, LocaleContextHolder.getLocale());
    }

    /** How a field is compared, in words of its kind where there are any: days are "after" where numbers are "more". */
    public String comparing(String code, Field field, Enum<?> how, Object... details) {
        String ofDays = field.type() instanceof Temporal
                ? messages.getMessage(code + "day." + how, details, null, language) : null;
        return ofDays == null ? say(code + how, details) : ofDays;
    }

    public String say(String code, Object... details) {
        return messages.getMessage(code, details, language);
    }

    /** What it is to be sorted by a field: by what comes first, which goes by its kind. */
    public String sorted(String label, FieldType type, boolean descending) {
        String what = switch (type) {
            case Textual text -> "letters";
            case Referring row -> "letters";
            case Attached file -> "letters";
            case Numeric number -> "numbers";
            case Temporal.TimeOfDay time -> "hours";
            case Temporal day -> "days";
            case Chosen choice -> "options";
            case FieldType.YesNo answer -> "answers";
        };
        return say("sort." + what + (descending ? ".down" : ".up"), label);
    }

    /** A text as it is quoted in a sentence. */
    public String quoted(String text) {
        return say("quoted", text);
    }

    /** The words of that code, or what else to say where there are none. */
    public String sayOr(String code, String otherwise) {
        return String.valueOf(messages.getMessage(code, null, otherwise, language));
    }

    public String say(Problem problem) {
        return say("problem." + problem.code(), problem.details().toArray());
    }

    public String count(long number) {
        return written.count(number);
    }

    public String count(Total total) {
        return switch (total) {
            case Total.Exactly exactly -> count(exactly.rows());
            case Total.MoreThan moreThan -> say("sheet.more-than", count(moreThan.rows()));
        };
    }

    /** A value of a file, as its kind is written, before it is one of a field. */
    public String written(Value value, boolean grouped) {
        return switch (value) {
            case Value.Whole whole -> new Numeric.WholeNumber(grouped).write(value, written);
            case Value.Decimal decimal -> new Numeric.Decimal(Numeric.MOST_DIGITS).write(value, written);
            default -> new Temporal.DateTime().write(value, written);
        };
    }

    /** What stands in a field of a row, as it is written; of composed text, each part in its own way. */
    public String written(Table table, Field field, Row row) {
        return written(table, field, row, Format.USUAL);
    }

    /** The same in that format. */
    public String written(Table table, Field field, Row row, Format format) {
        Value value = row.get(field.key());
        if (value == null) {
            return "";
        }
        if (!(field.computed() instanceof Computed.Composed composed)) {
            return written(field, value, format);
        }
        return format.cased(composed.parts().stream().map(part -> switch (part) {
            case Computed.Part.Words(String text) -> text;
            case Computed.Part.OfField(FieldKey key) -> written(table, table.field(key), row);
        }).collect(Collectors.joining()), language);
    }

    /** A value of a field as it is written, with its unit. */
    public String written(Field field, Value value) {
        return written(field, value, Format.USUAL);
    }

    private String written(Field field, Value value, Format format) {
        String text = format.cased(field.type().write(value, form(format)), language);
        return field.unit().isEmpty() || text.isEmpty() || format.bare() ? text : text + "\u00a0" + field.unit();
    }

    private WrittenForm form(Format format) {
        return format.equals(Format.USUAL) ? written : forms.computeIfAbsent(format, written::as);
    }

    public WrittenForm written() {
        return written;
    }

    public Locale language() {
        return language;
    }
}
