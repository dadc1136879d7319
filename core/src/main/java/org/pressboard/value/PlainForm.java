package org.pressboard.value;

import static java.time.format.DateTimeFormatter.ISO_LOCAL_DATE_TIME;
import static java.time.format.DateTimeFormatter.ISO_LOCAL_TIME;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.temporal.ChronoField;
import java.time.temporal.TemporalAccessor;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The form of values for machines, in addresses, CSV and JSON: dates as ISO 8601, numbers with a point and without
 * grouping, {@code yes} and {@code no}, several values one to a line. It never changes with the language.
 */
public final class PlainForm {

    /** What stands between several values. */
    public static final String BETWEEN = "\n";

    private static final List<String> MARKS = List.of(BETWEEN, ";", "|", ",");
    private static final Pattern KNOWN_FILE = Pattern.compile("([0-9a-f]{64})/(.+)", Pattern.DOTALL);
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
            case Value.Time time -> ISO_LOCAL_TIME.format(time.at());
            case Value.Referred referred -> referred.row().toString();
            case Value.Attachment file -> file.isThere() ? file.content() + "/" + file.name() : file.name();
            case Value.Several several -> several.values().stream().map(PlainForm::write)
                    .collect(Collectors.joining(BETWEEN));
        };
    }

    /** The texts that stand in one, with marks of one kind between them: lines, else semicolons, bars or commas. */
    public static List<String> parts(String text) {
        for (String mark : MARKS) {
            if (text.contains(mark)) {
                return Arrays.stream(text.split(Pattern.quote(mark))).map(String::strip)
                        .filter(part -> !part.isEmpty()).toList();
            }
        }
        return text.isBlank() ? List.of() : List.of(text.strip());
    }

    /** A file by the digest of its content and its name, or by its name alone. */
    public static Value attachment(String text) {
        Matcher known = KNOWN_FILE.matcher(text);
        return known.matches() ? new Value.Attachment(known.group(1), known.group(2)) : new Value.Attachment("", text);
    }

    public static Optional<Value> whole(String text) {
        return read(text, plain -> Value.of(Long.parseLong(plain)));
    }

    public static Optional<Value> decimal(String text) {
        return read(text, plain -> Value.of(number(plain)));
    }

    public static Optional<Value> yesNo(String text) {
        return switch (text) {
            case "yes" -> Optional.of(Value.of(true));
            case "no" -> Optional.of(Value.of(false));
            default -> Optional.empty();
        };
    }

    public static Optional<Value> date(String text) {
        return read(text, plain -> Value.of(inYears(LocalDate.parse(plain))));
    }

    /** A date alone is its midnight. */
    public static Optional<Value> moment(String text) {
        return read(text, plain -> Value.of(inYears(plain.length() == DAY_LENGTH
                ? LocalDate.parse(plain).atStartOfDay() : LocalDateTime.parse(plain))));
    }

    public static Optional<Value> time(String text) {
        return read(text, plain -> Value.of(LocalTime.parse(plain)));
    }

    private static Optional<Value> read(String text, Function<String, Value> parse) {
        try {
            return Optional.of(parse.apply(text));
        } catch (NumberFormatException | DateTimeException notOfThisKind) {
            return Optional.empty();
        }
    }

    /** Years of four digits: others are written differently everywhere, and kept nowhere. */
    private static <T extends TemporalAccessor> T inYears(T time) {
        int year = time.get(ChronoField.YEAR);
        if (year < 1 || year > LAST_YEAR) {
            throw new DateTimeException("no year from 1 to " + LAST_YEAR);
        }
        return time;
    }

    private static BigDecimal number(String text) {
        BigDecimal number = new BigDecimal(text);
        // an exponent such as 1e999999999 would write out as gigabytes of zeros
        if (Math.abs((long) number.scale()) > 1000 || number.precision() > 1000) {
            throw new NumberFormatException("too many digits");
        }
        return number;
    }
}
