package org.pressboard.intake;

import java.time.LocalDate;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.TypedForm;

/**
 * Reads days whose month is a word: {@code 9 Mar 2024}, {@code March 9, 2024}, {@code 2024-Mar-09}. The names are those
 * of CLDR in English and German, whole or as many of their first letters as one likes, at least three.
 */
final class NamedMonths {

    private static final String MONTH = "(?<month>\\p{L}{3,})\\.?";
    private static final String DAY = "(?<day>\\d{1,2})";
    private static final String GAP = "[\\s/.-]+";
    private static final List<Pattern> FORMS = List.of(
            Pattern.compile(DAY + "(?:st|nd|rd|th)?" + GAP + MONTH + ",?" + GAP + "(?<year>\\d{4}|\\d{2})"),
            Pattern.compile(MONTH + "\\s+" + DAY + "(?:st|nd|rd|th)?,?\\s+(?<year>\\d{4})"),
            Pattern.compile("(?<year>\\d{4})" + GAP + MONTH + GAP + DAY));
    private static final int FEWEST_LETTERS = 3;
    private static final Map<String, Month> MONTHS = months();

    private NamedMonths() {
    }

    private static Map<String, Month> months() {
        Map<String, Month> months = new HashMap<>();
        for (Month month : Month.values()) {
            for (Locale language : List.of(Locale.ENGLISH, Locale.GERMAN)) {
                String name = month.getDisplayName(TextStyle.FULL, language).toLowerCase(Locale.ROOT);
                for (int letters = FEWEST_LETTERS; letters <= name.length(); letters++) {
                    months.put(name.substring(0, letters), month);
                }
            }
        }
        return months;
    }

    /**
     * The day, or null when the text is none of these forms.
     *
     * @throws java.time.DateTimeException when there is no such day
     */
    static @Nullable LocalDate day(String text) {
        for (Pattern form : FORMS) {
            Matcher parts = form.matcher(text);
            if (parts.matches()) {
                Month month = MONTHS.get(parts.group("month").toLowerCase(Locale.ROOT));
                return month == null ? null : LocalDate.of(TypedForm.year(parts.group("year")), month,
                        Integer.parseInt(parts.group("day")));
            }
        }
        return null;
    }
}
