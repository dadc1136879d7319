package org.pressboard.value;

import java.math.BigDecimal;
import java.text.DecimalFormatSymbols;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.chrono.IsoChronology;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.DateTimeParseException;
import java.time.format.FormatStyle;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads what people type in a language: numbers with its marks, dates in its order or with the month as a word, and
 * everywhere the plain form too, which is what controls of browsers send. Safe for use by several threads.
 */
public final class TypedForm {

    private static final Pattern PLAIN_NUMBER = Pattern.compile("-?\\d{1,60}(\\.\\d{1,60})?");
    private static final Pattern PARTS_OF_DAY = Pattern.compile("(\\d{1,2})([-/.])(\\d{1,2})\\2(\\d{4}|\\d{2})");
    private static final Pattern TIME =
            Pattern.compile("(\\d{1,2})[:.](\\d{2})(?::(\\d{2})(\\.\\d{1,6})?)?(?:\\s*([AaPp])\\.?\\s*[Mm]\\.?)?");
    private static final Pattern BLANKS = Pattern.compile("[\\s\\p{Z}']+");
    private static final Set<String> YES = Set.of("yes", "y", "true", "ja", "j", "wahr", "1");
    private static final Set<String> NO = Set.of("no", "n", "false", "nein", "falsch", "0");
    private static final int LONGEST = 80;
    private static final int NO_HOUR = 99;

    private final Pattern numberOfLanguage;
    private final String decimalMark;
    private final boolean isMonthFirst;
    private final List<DateTimeFormatter> dates;

    private TypedForm(Locale language) {
        DecimalFormatSymbols symbols = DecimalFormatSymbols.getInstance(language);
        this.decimalMark = String.valueOf(symbols.getDecimalSeparator());
        String group = Pattern.quote(String.valueOf(symbols.getGroupingSeparator()));
        this.numberOfLanguage = Pattern.compile("-?(\\d{1,60}|\\d{1,3}(" + group + "\\d{3}){1,20})("
                + Pattern.quote(decimalMark) + "\\d{1,60})?");
        String pattern = DateTimeFormatterBuilder.getLocalizedDateTimePattern(FormatStyle.SHORT, null,
                IsoChronology.INSTANCE, language);
        this.isMonthFirst = pattern.indexOf('M') < pattern.indexOf('d');
        this.dates = List.of(FormatStyle.MEDIUM, FormatStyle.LONG).stream().map(style ->
                new DateTimeFormatterBuilder().parseCaseInsensitive().append(DateTimeFormatter.ofLocalizedDate(style))
                        .toFormatter(language)).toList();
    }

    public static TypedForm of(Locale language) {
        return new TypedForm(language);
    }

    /** A number, with or without groups; where both are possible, as the language writes it. */
    public Optional<BigDecimal> number(String text) {
        String bare = text.length() > LONGEST ? "" : BLANKS.matcher(text).replaceAll("").replace('\u2212', '-');
        if (numberOfLanguage.matcher(bare).matches()) {
            int mark = bare.lastIndexOf(decimalMark);
            String whole = (mark < 0 ? bare : bare.substring(0, mark)).replaceAll("[^0-9-]", "");
            return Optional.of(new BigDecimal(mark < 0 ? whole : whole + '.' + bare.substring(mark + 1)));
        }
        return PLAIN_NUMBER.matcher(bare).matches() ? Optional.of(new BigDecimal(bare)) : Optional.empty();
    }

    public Optional<Value> date(String text) {
        String bare = bare(text);
        return PlainForm.date(bare).or(() -> dayInParts(bare)).or(() -> dayInWords(bare));
    }

    /** Years of two digits: 69 to 99 are of the 20th century, 00 to 68 of the 21st (POSIX, strptime's %y). */
    public static int year(String digits) {
        int year = Integer.parseInt(digits);
        if (digits.length() == 4) {
            return year;
        }
        return year >= 69 ? 1900 + year : 2000 + year;
    }

    private Optional<Value> dayInParts(String text) {
        Matcher parts = PARTS_OF_DAY.matcher(text);
        if (!parts.matches()) {
            return Optional.empty();
        }
        int first = Integer.parseInt(parts.group(1));
        int second = Integer.parseInt(parts.group(3));
        int year = year(parts.group(4));
        try {
            return Optional.of(Value.of(LocalDate.of(year, isMonthFirst ? first : second,
                    isMonthFirst ? second : first)));
        } catch (DateTimeException noSuchDay) {
            return Optional.empty();
        }
    }

    private Optional<Value> dayInWords(String text) {
        for (DateTimeFormatter format : dates) {
            try {
                return Optional.of(Value.of(LocalDate.parse(text, format)));
            } catch (DateTimeParseException writtenOtherwise) {
                continue;
            }
        }
        return Optional.empty();
    }

    public Optional<Value> time(String text) {
        Matcher parts = TIME.matcher(bare(text));
        if (!parts.matches()) {
            return Optional.empty();
        }
        String plain = String.format(Locale.ROOT, "%02d:%s:%s%s", hour(Integer.parseInt(parts.group(1)), parts.group(5)),
                parts.group(2), parts.group(3) == null ? "00" : parts.group(3),
                parts.group(4) == null ? "" : parts.group(4));
        return PlainForm.time(plain);
    }

    private static int hour(int hour, @Nullable String half) {
        if (half == null) {
            return hour;
        }
        return hour < 1 || hour > 12 ? NO_HOUR : hour % 12 + (half.equalsIgnoreCase("p") ? 12 : 0);
    }

    /** A day and a time of day, one behind the other. */
    public Optional<Value> moment(String text) {
        String bare = bare(text);
        Optional<Value> plain = PlainForm.moment(bare);
        if (plain.isPresent()) {
            return plain;
        }
        for (int gap = bare.indexOf(' '); gap > 0; gap = bare.indexOf(' ', gap + 1)) {
            Optional<Value> day = date(bare.substring(0, gap).replaceAll(",$", ""));
            Optional<Value> time = time(bare.substring(gap + 1));
            if (day.isPresent() && time.isPresent()) {
                return Optional.of(at(day.get(), time.get()));
            }
        }
        return Optional.empty();
    }

    private static Value at(Value day, Value time) {
        LocalTime of = ((Value.Time) time).at();
        return Value.of(((Value.Date) day).day().atTime(of));
    }

    /** Blanks of every width are blanks. */
    private static String bare(String text) {
        return text.replaceAll("\\p{Z}", " ").strip();
    }

    public Optional<Value> yesNo(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        if (YES.contains(word)) {
            return Optional.of(Value.of(true));
        }
        return NO.contains(word) ? Optional.of(Value.of(false)) : Optional.empty();
    }
}
