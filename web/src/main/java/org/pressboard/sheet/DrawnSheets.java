package org.pressboard.sheet;

import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Draws sheets: what stands around the rows once, the rows each time. */
@Component
public class DrawnSheets {

    private final DrawnOnce once;

    DrawnSheets(DrawnOnce once) {
        this.once = once;
    }

    /**
     * As HTML, every text in it escaped.
     *
     * @param asked when it was asked for, in milliseconds since 1970
     * @param icons the address of the icons
     */
    public String sheet(Sheet sheet, long asked, String icons, Locale language) {
        return once.draw("sheet/frame", Map.of("sheet", sheet.frame(), "icons", icons), language,
                Map.of("lines", sheet::rowsMarkup, "asked", () -> Long.toString(asked)));
    }
}
