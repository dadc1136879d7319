package org.pressboard.visit;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.LocalDateTime;
import org.pressboard.catalog.Catalog;
import org.pressboard.change.ChangeFeed;
import org.springframework.stereotype.Component;

/** Makes the visit of each request, once. */
@Component
public class Visits {

    private static final String AT = Visit.class.getName();

    private final Catalog catalog;
    private final ChangeFeed changes;
    private final Clock clock;

    Visits(Catalog catalog, ChangeFeed changes, Clock clock) {
        this.changes = changes;
        this.catalog = catalog;
        this.clock = clock;
    }

    public Visit of(HttpServletRequest request) {
        if (request.getAttribute(AT) instanceof Visit visit) {
            return visit;
        }
        Caller caller = Caller.of(request);
        long revision = changes.catalogRevision();
        Visit visit = Visit.of(caller, catalog.published(caller.tried()), revision, LocalDateTime.now(clock));
        request.setAttribute(AT, visit);
        return visit;
    }
}
