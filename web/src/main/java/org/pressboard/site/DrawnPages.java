package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.pressboard.drawing.DrawnOnce;
import org.pressboard.edition.Page;
import org.pressboard.part.PageLines;
import org.pressboard.stand.OpenPage;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.View;

/** Draws published pages. */
@Component
class DrawnPages {

    /** In characters; of a table of 25 rows. */
    private static final int USUAL_SIZE = 32 * 1024;

    private final DrawnOnce once;
    private final SiteFrames frames;

    DrawnPages(DrawnOnce once, SiteFrames frames) {
        this.once = once;
        this.frames = frames;
    }

    /** A page and what it is made of, as this request gets it. */
    record Outline(OpenPage on, List<PageLines.Line> lines, HttpServletRequest request) {

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

    /** One that has no form on it, and on which nothing is said: what is the same is drawn once. */
    View plain(Outline outline) {
        StringBuilder drawing = new StringBuilder(USUAL_SIZE);
        Map<String, DrawnOnce.Filling> gaps = new HashMap<>(gaps(outline));
        gaps.put("parts", html -> PageLines.draw(html, outline.lines));
        once.draw(drawing, "site/page", facts(outline), outline.language(), gaps);
        return DrawnOnce.answer(drawing, outline.language());
    }

    /** What the template of pages goes by, with nothing said. */
    Map<String, Object> attributes(Outline outline) {
        Map<String, Object> all = new HashMap<>(facts(outline));
        gaps(outline).forEach((name, gap) -> all.put(name, DrawnOnce.text(gap)));
        all.put("parts", "");
        all.put("lines", outline.lines);
        return all;
    }

    private Map<String, Object> facts(Outline outline) {
        return Map.of("title", outline.page().title(), "lead", outline.page().lead(), "tag", outline.on.visit().site().site().languageTag(),
                "foot", outline.on.visit().site().site().foot(),
                "unseen", List.of(), "lines", List.of());
    }

    private Map<String, DrawnOnce.Filling> gaps(Outline outline) {
        Page page = outline.page();
        SiteFrame frame = frames.of(outline.request, outline.on.visit());
        return Map.of("head", html -> frame.drawHead(html, page.title() + " · " + frame.siteName(), outline.canonical(),
                "site", outline.language()), "masthead", html -> frame.drawMasthead(html, page.key().name(), outline.language()));
    }
}
