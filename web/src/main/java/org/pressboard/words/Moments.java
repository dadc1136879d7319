package org.pressboard.words;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;

/** When something happened, as the desk writes it. */
public final class Moments {

    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT).withLocale(Locale.UK);

    private Moments() {
    }

    public static String written(Instant moment) {
        return WHEN.format(moment.atZone(ZoneId.systemDefault()));
    }
}
