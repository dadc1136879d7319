package org.pressboard.words;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import org.springframework.context.i18n.LocaleContextHolder;

/** When something happened, as the desk writes it, in the language of the request that is answered. */
public final class Moments {

    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT);

    private Moments() {
    }

    public static String written(Instant moment) {
        return WHEN.withLocale(LocaleContextHolder.getLocale()).format(moment.atZone(ZoneId.systemDefault()));
    }
}
