package org.pressboard.value;

import static java.time.format.DateTimeFormatter.ISO_LOCAL_DATE_TIME;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.ChronoField;
import java.time.temporal.TemporalAccessor;
import java.util.Optional;
import org.pressboard.table.FieldType;

/**
 * The form of values for machines, in addresses, CSV and JSON: dates as ISO 8601, numbers with a point and without
 * grouping, {@code yes} and {@code no}. It never changes with the language.
 */
public final class PlainForm {

    private static final int DAY_LENGTH = 10;
    private static final int LAST_YEAR = 9999;

    private PlainForm() {
    }

    public static String write(Value value) {
        return switch (value) {
            case Value.Text text -> text.text();
            case Value.Whole whole -> Long.toString(whole.number());
            case Value.Decimal decimal -> decimal.number().toPlainString();
            case Value.YesNo yesNo -> yesNo.yes() ? "yes" : "no";
            case Value.Date date -> date.day().toString();
            case Value.Moment moment -> ISO_LOCAL_DATE_TIME.format(moment.at());
        };
    }

    /** Reads a value of the type; empty when the text is none. */
    public static Optional<Value> read(FieldType type, String text) {
        try {
            return Optional.of(parse(type, text));
        } catch (NumberFormatException | DateTimeException notOfThisType) {
            return Optional.empty();
        }
    }

    private static Value parse(FieldType type, String text) {
        return switch (type) {
            case FieldType.Text t -> Value.of(text);
            case FieldType.LongText t -> Value.of(text);
            case FieldType.Email t -> Value.of(text);
            case FieldType.Link t -> Value.of(text);
            case FieldType.Choice t -> Value.of(text);
            case FieldType.Picture t -> Value.of(text);
            case FieldType.WholeNumber t -> Value.of(Long.parseLong(text));
            case FieldType.Decimal t -> Value.of(decimal(text));
            case FieldType.YesNo t -> Value.of(yesNo(text));
            case FieldType.Date t -> Value.of(inYears(LocalDate.parse(text)));
            case FieldType.DateTime t -> Value.of(inYears(text.length() == DAY_LENGTH
                    ? LocalDate.parse(text).atStartOfDay() : LocalDateTime.parse(text)));
        };
    }

    /** Years of four digits: others are written differently everywhere, and kept nowhere. */
    private static <T extends TemporalAccessor> T inYears(T time) {
        int year = time.get(ChronoField.YEAR);
        if (year < 1 || year > LAST_YEAR) {
            throw new DateTimeException("no year from 1 to " + LAST_YEAR);
        }
        return time;
    }

    private static BigDecimal decimal(String text) {
        BigDecimal number = new BigDecimal(text);
        // an exponent such as 1e999999999 would write out as gigabytes of zeros
        if (Math.abs((long) number.scale()) > 1000 || number.precision() > 1000) {
            throw new NumberFormatException("too many digits");
        }
        return number;
    }

    private static boolean yesNo(String text) {
        return switch (text) {
            case "yes" -> true;
            case "no" -> false;
            default -> throw new NumberFormatException("neither yes nor no");
        };
    }
}
