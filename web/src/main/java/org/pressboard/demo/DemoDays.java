package org.pressboard.demo;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.regex.Pattern;

/**
 * The orchard's days, as they are told from today: its files were written on one day, and whenever the demo is set up the
 * year goes round again, so that what was ahead then is ahead, what was behind is behind, and all stays in its season and
 * on its day of the week.
 */
final class DemoDays {

    static final LocalDate WRITTEN = LocalDate.of(2026, 11, 27);

    /** A year in whole weeks. */
    private static final int ROUND = 364;
    private static final Pattern DAY = Pattern.compile("\\b20\\d\\d-\\d\\d-\\d\\d\\b");

    private DemoDays() {
    }

    /** The same text with each of its days (ISO 8601) as it is told on that day. */
    static String told(String csv, LocalDate today) {
        return DAY.matcher(csv).replaceAll(found -> told(LocalDate.parse(found.group()), today).toString());
    }

    private static LocalDate told(LocalDate day, LocalDate today) {
        long since = Math.max(0, ChronoUnit.DAYS.between(WRITTEN, today));
        if (day.isBefore(WRITTEN)) {
            return day.plusDays(since / ROUND * ROUND);
        }
        long late = Math.max(0, ChronoUnit.DAYS.between(day, today));
        return day.plusDays(Math.ceilDiv(late, ROUND) * ROUND);
    }
}
