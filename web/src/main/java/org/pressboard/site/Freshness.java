package org.pressboard.site;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Objects;
import org.pressboard.change.ChangeFeed;
import org.pressboard.grant.Visitor;
import org.pressboard.rows.Rows;
import org.pressboard.pace.Pace;
import org.pressboard.stand.Asking;
import org.pressboard.visit.Visit;
import org.springframework.boot.info.BuildProperties;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.ServletWebRequest;

/**
 * Whether a browser has what it would get anyway, or somebody else was just given it. A tag says which state of the
 * catalog and of the rows an answer was drawn from, so an unchanged page costs neither a query nor a drawing. Only for
 * those who are not signed in; what others get is never kept.
 */
@Component
class Freshness {

    private final ChangeFeed changes;
    private final Rows rows;
    private final BuildProperties build;
    private final KeptAnswers answers;
    private final Pace pace;

    Freshness(ChangeFeed changes, Rows rows, BuildProperties build, KeptAnswers answers,
            Pace pace) {
        this.changes = changes;
        this.rows = rows;
        this.build = build;
        this.answers = answers;
        this.pace = pace;
    }

    /**
     * True when the browser has been answered: that nothing has changed, or what somebody else was given. Else the rows
     * are to be read, which the visitor may ask for only so often.
     */
    boolean isKnown(Visit visit, List<Asking> askings, ServletWebRequest request, HttpServletResponse response) {
        if (visit.visitor().kind() == Visitor.Kind.ANYONE && askings.stream().allMatch(Freshness::isForAll)
                && isUnchanged(visit, askings, request, response)) {
            return true;
        }
        pace.spend(visit.address(), Pace.PAGE);
        return false;
    }

    /** Whether all who are not signed in get the same: in no proof, and whichever browser has sent something. */
    private static boolean isForAll(Asking asking) {
        return asking.addresses().isOnSite() && (asking.visitor().browser() == null || !asking.sight().dependsOnBrowser());
    }

    private boolean isUnchanged(Visit visit, List<Asking> askings, ServletWebRequest request, HttpServletResponse response) {
        response.setHeader(HttpHeaders.CACHE_CONTROL, "no-cache");
        response.setHeader(HttpHeaders.VARY, "HX-Request, Cookie");
        String tag = tag(visit, askings);
        if (request.checkNotModified(tag) || answers.give(tag, request.getRequest(), response)) {
            return true;
        }
        if (changes.isSeen()) {
            answers.keep(tag, request.getRequest());
        } else {
            response.setHeader(HttpHeaders.ETAG, null);
        }
        return false;
    }

    /** A weak one: answers with a strong tag would not be compressed. */
    private String tag(Visit visit, List<Asking> askings) {
        StringBuilder tag = new StringBuilder("W/\"").append(Long.toString(Objects.requireNonNull(build.getTime()).toEpochMilli(), 36));
        tag.append('-').append(Long.toString(visit.revision(), 36));
        tag.append('-').append(visit.today().toEpochDay());
        for (Asking asking : askings) {
            tag.append('-').append(Long.toString(rows.revision(asking.drawn()), 36));
        }
        return tag.append('"').toString();
    }
}
