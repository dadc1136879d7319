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

    /** As HTML, every text in it escaped. */
    public String sheet(Sheet sheet, Locale language) {
        return DrawnOnce.text(html -> draw(html, sheet, language));
    }

    /** Draws the same. */
    public void draw(StringBuilder html, Sheet sheet, Locale language) {
        once.draw(html, "sheet/frame", Map.of("sheet", sheet.frame(), "icons", icons), language,
                Map.of("lines", sheet::drawRows, "state", rest -> rest.append(sheet.state())));
    }
}
