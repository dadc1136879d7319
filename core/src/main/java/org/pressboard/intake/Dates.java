package org.pressboard.intake;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;

/** Reads dates and moments as files write them, with a point, slash or hyphen between the parts. */
final class Dates {

    private static final Pattern YEAR_FIRST = Pattern.compile("(\\d{4})([-/.])(\\d{1,2})\\2(\\d{1,2})");
    private static final Pattern YEAR_LAST = Pattern.compile("(\\d{1,2})([-/.])(\\d{1,2})\\2(\\d{4}|\\d{2})");
    private static final Pattern TIME =
            Pattern.compile("(\\d{1,2}):(\\d{2})(?::(\\d{2})(?:[.,](\\d{1,9}))?)?(?:\\s*([AaPp])\\.?[Mm]\\.?)?Z?");
    private static final Pattern FINER = Pattern.compile("[.,]\\d{6}\\d*[1-9]");
    private static final int SHORTEST = 6;
    private static final int LONGEST = 40;
    private static final int LONGEST_TIME = 20;

    private Dates() {
    }

    static @Nullable Value date(String text, DateOrder order) {
        LocalDate day = isDateLong(text) ? day(text, order) : null;
        return day == null ? null : Value.of(day);
    }

    /** A time of day alone. */
    static @Nullable Value time(String text) {
        LocalTime time = text.length() <= LONGEST_TIME && text.indexOf(':') > 0 ? timeOfDay(text) : null;
        return time == null ? null : Value.of(time);
    }

    static @Nullable Value moment(String text, DateOrder order) {
        int colon = text.indexOf(':');
        if (!isDateLong(text) || colon < 0) {
            return null;
        }
        int gap = gap(text, colon);
        if (gap < SHORTEST) {
            return null;
        }
        String before = text.substring(0, gap).strip();
        LocalDate day = day(before.endsWith(",") ? before.substring(0, before.length() - 1) : before, order);
        LocalTime time = timeOfDay(text.substring(gap + 1));
        return day == null || time == null ? null : Value.of(day.atTime(time));
    }

    /** Whether the text says more than the moment keeps: that it is of UTC, or parts of a microsecond. */
    static boolean losesSome(String text, Value moment) {
        return text.endsWith("Z") || FINER.matcher(text).find();
    }

    /** Where the time of day begins, whose first colon is there. */
    private static int gap(String text, int colon) {
        return Math.max(text.lastIndexOf('T', colon), text.lastIndexOf(' ', colon));
    }

    private static boolean isDateLong(String text) {
        return text.length() >= SHORTEST && text.length() <= LONGEST;
    }

    private static @Nullable LocalDate day(String text, DateOrder order) {
        try {
            LocalDate day = switch (order) {
                case YEAR_FIRST -> yearFirst(text);
                case DAY_FIRST -> yearLast(text, 1, 3);
                case MONTH_FIRST -> yearLast(text, 3, 1);
                case MONTH_NAMED -> NamedMonths.day(text);
            };
            return day == null || day.getYear() == 0 ? null : day;
        } catch (DateTimeException noSuchDay) {
            return null;
        }
    }

    private static @Nullable LocalDate yearFirst(String text) {
        Matcher parts = YEAR_FIRST.matcher(text);
        return parts.matches() ? LocalDate.of(Integer.parseInt(parts.group(1)), Integer.parseInt(parts.group(3)),
                Integer.parseInt(parts.group(4))) : null;
    }

    private static @Nullable LocalDate yearLast(String text, int day, int month) {
        Matcher parts = YEAR_LAST.matcher(text);
        return parts.matches() ? LocalDate.of(TypedForm.year(parts.group(4)), Integer.parseInt(parts.group(month)),
                Integer.parseInt(parts.group(day))) : null;
    }

    private static @Nullable LocalTime timeOfDay(String text) {
        Matcher parts = TIME.matcher(text);
        if (!parts.matches()) {
            return null;
        }
        String second = parts.group(3);
        String fraction = parts.group(4);
        try {
            return LocalTime.of(hour(Integer.parseInt(parts.group(1)), parts.group(5)),
                    Integer.parseInt(parts.group(2)), second == null ? 0 : Integer.parseInt(second),
                    fraction == null ? 0 : Integer.parseInt((fraction + "00000000").substring(0, 9)) / 1000 * 1000);
        } catch (DateTimeException noSuchTime) {
            return null;
        }
    }

    private static int hour(int hour, @Nullable String half) {
        if (half == null) {
            return hour;
        }
        if (hour < 1 || hour > 12) {
            throw new DateTimeException("no such hour");
        }
        return hour % 12 + (half.equalsIgnoreCase("p") ? 12 : 0);
    }
}
