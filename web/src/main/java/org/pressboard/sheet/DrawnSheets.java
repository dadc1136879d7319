package org.pressboard.sheet;

import java.util.Locale;
import java.util.Map;
import org.pressboard.drawing.Assets;
import org.pressboard.drawing.DrawnOnce;
import org.springframework.stereotype.Component;

/** Draws sheets: what stands around the rows once, the rows each time. */
@Component
public class DrawnSheets {

    private final DrawnOnce once;
    private final String icons;

    DrawnSheets(DrawnOnce once, Assets assets) {
        this.once = once;
        this.icons = assets.path("icons.svg");
    }

    /**
     * As HTML, every text in it escaped.
     *
     * @param asked when it was asked for, in milliseconds since 1970
     */
    public String sheet(Sheet sheet, long asked, Locale language) {
        return DrawnOnce.text(html -> draw(html, sheet, asked, language));
    }

    /** Draws the same. */
    public void draw(StringBuilder html, Sheet sheet, long asked, Locale language) {
        once.draw(html, "sheet/frame", Map.of("sheet", sheet.frame(), "icons", icons), language,
                Map.of("lines", sheet::drawRows, "asked", rest -> rest.append(asked)));
    }
}
