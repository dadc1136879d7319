package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.RequestOptions;
import java.net.URI;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.web.util.HtmlUtils;

/** Whatever is linked leads somewhere, for whoever gets the link. */
class LinksTest extends InBrowser {

    /** Of addresses that are the same but for what a row is called, so many are followed; but for the state of a list, one. */
    private static final int ALIKE = 2;
    /** Other tests leave tables and pages of their own. */
    private static final Set<String> ORCHARD = Set.of("varieties", "plots", "members", "trees", "pickings", "pledges", "tastings",
            "work_days", "work-days", "sign_ups", "tool_repairs", "my-pickings", "adopt", "repairs");
    private static final Pattern NAMED = Pattern.compile("/(?:desk/(?:tables|pages|forms|proof|editions)/|listings/)([^/?]+).*");

    /** What leaves as a file is somebody else's to look at. */
    private static final Pattern FILE = Pattern.compile("[^?]*(?:\\.(?:csv|xlsx|json|pdf)|/print)(?:\\?.*)?");
    private static final Pattern LINK = Pattern.compile("<a\\b[^>]*\\bhref=\"([^\"#]+)[^\"]*\"");

    @ParameterizedTest
    @ValueSource(strings = {"owner@example.org", "editor@example.org", "mira@example.org", ""})
    void everyLinkLeadsSomewhere(String who) {
        Page page = who.isEmpty() ? desktop() : signedIn(who);
        Deque<String> links = new ArrayDeque<>(List.of("/"));
        if (who.startsWith("owner") || who.startsWith("editor")) {
            links.add("/desk");
        }
        Map<String, Integer> followed = new HashMap<>();
        Set<String> known = new HashSet<>(links);
        List<String> broken = new ArrayList<>();
        int asked = 0;
        while (!links.isEmpty()) {
            String link = links.remove();
            if (followed.merge(shape(link), 1, Integer::sum) > (link.contains("?") ? 1 : ALIKE)) {
                continue;
            }
            APIResponse answer = page.request().get(address(link),
                    RequestOptions.create().setHeader("X-Forwarded-For", "203.0.113." + ++asked % 250));
            if (answer.status() >= 400) {
                broken.add(answer.status() + " " + link);
            } else if (String.valueOf(answer.headers().get("content-type")).startsWith("text/html")) {
                LINK.matcher(answer.text()).results().map(found -> HtmlUtils.htmlUnescape(found.group(1)))
                        .map(href -> URI.create(address(link)).resolve(href).toString())
                        .filter(href -> href.startsWith(address("/"))).map(LinksTest::local).filter(LinksTest::isFollowed)
                        .filter(known::add).forEach(links::add);
            }
        }
        assertThat(broken).isEmpty();
        assertThat(followed.size()).isGreaterThan(who.matches("(owner|editor)@.*") ? 100 : 15);
    }

    private static boolean isFollowed(String link) {
        Matcher named = NAMED.matcher(link);
        return !FILE.matcher(link).matches() && (!named.matches() || ORCHARD.contains(named.group(1)));
    }

    private static String local(String href) {
        URI link = URI.create(href.replaceFirst("#.*", ""));
        return link.getRawPath() + (link.getRawQuery() == null ? "" : "?" + link.getRawQuery());
    }

    /** Tables, pages and fields are each their own; rows and editions, and what is asked of a list, are not. */
    private static String shape(String link) {
        String path = link.replaceFirst("\\?.*", "").replaceAll("/\\d+(?=/|$)", "/#").replaceAll("/[^/]*[A-Z%][^/]*(?=/|$)", "/key");
        return path + (link.contains("?") ? "?" : "");
    }
}
