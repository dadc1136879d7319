package org.pressboard.live;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.pressboard.rows.Rows;
import org.pressboard.pace.Pace;
import org.pressboard.stand.Asking;
import org.pressboard.stand.Stands;
import org.pressboard.table.TableKey;
import org.pressboard.visit.Visit;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/**
 * Events for pages that are open (server-sent events, as the HTML standard has them): only that rows may have changed; what
 * has become of them the page asks as any other. Waits on a virtual thread and holds no connection to the database.
 */
@Controller
class LiveController {

    private static final int MOST_LISTINGS = 10;
    private static final long BETWEEN_BEATS_MILLIS = 15_000;

    /** Many changes one after the other are told as one. */
    private static final long BETWEEN_EVENTS_MILLIS = 200;

    private static final byte[] BEAT = ":\n\n".getBytes(StandardCharsets.UTF_8);
    private static final byte[] CHANGED = "event: rows\ndata: changed\n\n".getBytes(StandardCharsets.UTF_8);

    private final Stands stands;
    private final Rows rows;
    private final Listeners listeners;
    private final Pace pace;

    LiveController(Stands stands, Rows rows, Listeners listeners, Pace pace) {
        this.stands = stands;
        this.rows = rows;
        this.listeners = listeners;
        this.pace = pace;
    }

    @GetMapping("/listings/live.events")
    void live(Visit visit, @RequestParam List<String> listing, @RequestParam(defaultValue = "") List<String> state,
            HttpServletResponse response) throws IOException {
        pace.spend(visit.address(), Pace.PAGE);
        List<Asking> askings = listing.stream().limit(MOST_LISTINGS)
                .map(key -> stands.listing(visit, key)).toList();
        Set<TableKey> tables = askings.stream().flatMap(asking -> asking.reached().stream()).collect(Collectors.toSet());
        try (Listeners.Listener listener = listeners.enter(tables, visit.address())) {
            if (listener == null) {
                // a browser that is answered so does not ask again
                response.setStatus(HttpServletResponse.SC_NO_CONTENT);
                return;
            }
            if (isBehind(askings, state)) {
                listener.isBehind();
            }
            response.setContentType("text/event-stream;charset=UTF-8");
            response.setHeader("Cache-Control", "no-store");
            tell(listener, response);
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
        }
    }

    /** Whether one of the listings was drawn from another state than there is now; where that is not said, none was. */
    private boolean isBehind(List<Asking> askings, List<String> states) {
        return IntStream.range(0, Math.min(askings.size(), states.size()))
                .anyMatch(at -> !states.get(at).equals(String.valueOf(rows.revision(askings.get(at).begun()))));
    }

    /** Until whoever listens is gone, which is found out by writing to them. */
    private static void tell(Listeners.Listener listener, HttpServletResponse response) throws IOException,
            InterruptedException {
        OutputStream out = response.getOutputStream();
        boolean isThere = isTaken(out, BEAT);
        while (isThere && !listener.isOver()) {
            boolean isNew = listener.waitForNews(BETWEEN_BEATS_MILLIS);
            isThere = listener.isOver() || isTaken(out, isNew ? CHANGED : BEAT);
            if (isNew) {
                listener.rest(BETWEEN_EVENTS_MILLIS);
            }
        }
    }

    /** Whether anybody took it; else nobody is there to be told more. */
    private static boolean isTaken(OutputStream out, byte[] event) {
        try {
            out.write(event);
            out.flush();
            return true;
        } catch (IOException gone) {
            return false;
        }
    }
}
