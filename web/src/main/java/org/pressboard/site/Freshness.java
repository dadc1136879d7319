package org.pressboard.site;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.pressboard.change.ChangeFeed;
import org.pressboard.grant.Visitor;
import org.pressboard.sheet.Asking;
import org.pressboard.sheet.Sheets;
import org.springframework.boot.info.BuildProperties;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.WebRequest;

/**
 * Whether a browser has what it would get anyway. The tag says which state of the catalog and of the rows an answer was
 * drawn from, so an unchanged page costs neither a query nor a drawing. Only for those who are not signed in; what
 * others get is never kept.
 */
@Component
class Freshness {

    private final ChangeFeed changes;
    private final Sheets sheets;
    private final BuildProperties build;
    private final Clock clock;

    Freshness(ChangeFeed changes, Sheets sheets, BuildProperties build, Clock clock) {
        this.changes = changes;
        this.sheets = sheets;
        this.build = build;
        this.clock = clock;
    }

    /** True when the browser is told that nothing has changed; there is nothing more to answer then. */
    boolean isKnown(List<Asking> askings, Visitor visitor, WebRequest request, HttpServletResponse response) {
        if (visitor.kind() != Visitor.Kind.ANYONE) {
            return false;
        }
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-cache");
        response.setHeader(HttpHeaders.VARY, "HX-Request, Cookie");
        return request.checkNotModified(tag(askings));
    }

    private String tag(List<Asking> askings) {
        StringBuilder tag = new StringBuilder(Long.toString(build.getTime().toEpochMilli(), 36));
        tag.append('-').append(Long.toString(changes.catalogRevision(), 36));
        tag.append('-').append(LocalDate.now(clock).toEpochDay());
        for (Asking asking : askings) {
            tag.append('-').append(Long.toString(sheets.revision(asking), 36));
        }
        return tag.toString();
    }
}
