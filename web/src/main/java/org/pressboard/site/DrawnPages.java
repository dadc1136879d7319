package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.edition.Page;
import org.pressboard.sheet.DrawnSheets;
import org.pressboard.sheet.Sheet;
import org.pressboard.stand.OpenPage;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.View;

/** Draws published pages. */
@Component
class DrawnPages {

    /** In characters; of a table of 25 rows. */
    private static final int USUAL_SIZE = 32 * 1024;

    private final DrawnOnce once;
    private final DrawnSheets drawn;
    private final SiteFrames frames;

    DrawnPages(DrawnOnce once, DrawnSheets drawn, SiteFrames frames) {
        this.once = once;
        this.drawn = drawn;
        this.frames = frames;
    }

    /** A page and its listings, as this request gets them. */
    record Outline(OpenPage on, List<Sheet> sheets, HttpServletRequest request) {

        Page page() {
            return on.page();
        }

        Locale language() {
            return on.visit().language();
        }

        /** The page's own address; empty: it is not said. */
        private String canonical() {
            String site = on.visit().site().site().publicAddress();
            return site.isEmpty() ? "" : site + on.stand().page();
        }
    }

    /** One that has nothing on it but listings, and on which nothing is said: what is the same is drawn once. */
    View plain(Outline outline) {
        StringBuilder drawing = new StringBuilder(USUAL_SIZE);
        once.draw(drawing, "site/page", facts(outline), outline.language(), gaps(outline));
        return DrawnOnce.answer(drawing, outline.language());
    }

    /** What the template of pages goes by, with no forms and nothing said. */
    Map<String, Object> attributes(Outline outline) {
        Map<String, Object> all = new HashMap<>(facts(outline));
        gaps(outline).forEach((name, gap) -> all.put(name, DrawnOnce.text(gap)));
        return all;
    }

    private Map<String, Object> facts(Outline outline) {
        return Map.of("title", outline.page().title(), "lead", outline.page().lead(), "tag", outline.on.visit().site().site().languageTag(),
                "foot", outline.on.visit().site().site().foot(),
                "unseen", List.of(), "forms", List.of());
    }

    private Map<String, DrawnOnce.Filling> gaps(Outline outline) {
        Page page = outline.page();
        SiteFrame frame = frames.of(outline.request, outline.on.visit());
        return Map.of("head", html -> frame.drawHead(html, page.title() + " · " + frame.siteName(), outline.canonical(),
                "site", outline.language()), "masthead", html -> frame.drawMasthead(html, page.key().name(), outline.language()),
                "sheets", html -> outline.sheets.forEach(sheet -> drawn.draw(html, sheet, outline.language())));
    }
}
