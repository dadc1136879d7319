package org.pressboard.sheet;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Locale;
import java.util.Set;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/**
 * Draws the insides of sheets. Everything they are drawn from is worked out anew for whoever asks; but what stands around
 * the rows is drawn once for all that is the same, for a template takes longer over that than the database over the rows.
 */
@Component
public class DrawnSheets {

    private static final long MOST_CHARACTERS = 8L * 1024 * 1024;
    private static final String ROWS = "<!--rows-->";

    private record Key(SheetFrame frame, Locale language) {
    }

    private final ITemplateEngine templates;
    private final Cache<Key, String> frames = Caffeine.newBuilder().maximumWeight(MOST_CHARACTERS)
            .weigher((Key key, String html) -> html.length()).build();

    DrawnSheets(ITemplateEngine templates) {
        this.templates = templates;
    }

    /**
     * As HTML, every text in it escaped.
     *
     * @param icons the address of the icons
     */
    public String inside(Sheet sheet, String icons, Locale language) {
        String frame = frames.get(new Key(sheet.frame(), language), key -> around(sheet.frame(), icons, language));
        int rows = frame.indexOf(ROWS);
        return rows < 0 ? frame : frame.substring(0, rows) + sheet.rowsMarkup() + frame.substring(rows + ROWS.length());
    }

    private String around(SheetFrame frame, String icons, Locale language) {
        Context context = new Context(language);
        context.setVariable("sheet", frame);
        context.setVariable("icons", icons);
        context.setVariable("rowsHere", ROWS);
        return templates.process("sheet/frame", Set.of("inside"), context);
    }
}
