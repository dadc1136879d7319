package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Scanner;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Drafts;
import org.pressboard.change.Once;
import org.pressboard.edition.PageKey;
import org.pressboard.schema.Publisher;
import org.pressboard.testing.Eventually;
import org.pressboard.wiring.PressboardApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** Two nodes on one database say the same of the same state. */
class TwoNodesTest extends RunningSite {

    private static final HttpClient HTTP = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
    private static @Nullable ConfigurableApplicationContext started;

    @Autowired
    private Drafts drafts;

    @Autowired
    private Publisher publisher;

    @Autowired
    private Once once;

    /** The other one, which needs no demo of its own. */
    private static ConfigurableApplicationContext other() {
        if (started == null) {
            started = new SpringApplicationBuilder(PressboardApplication.class).run("--server.port=0", "--PRESSBOARD_DB_URL=" + DATABASE.url(),
                    "--PRESSBOARD_DB_USER=" + DATABASE.user(), "--PRESSBOARD_DB_PASSWORD=" + DATABASE.password(),
                    "--pressboard.longest-count=20s", "--pressboard.quick-count=20s", "--pressboard.requests-per-second=2000");
        }
        return started;
    }

    @AfterAll
    static void stop() {
        if (started != null) {
            started.close();
            started = null;
        }
    }

    private static HttpRequest.Builder there(String path) {
        return HttpRequest.newBuilder(URI.create("http://localhost:" + other().getEnvironment().getProperty("local.server.port") + path));
    }

    private HttpResponse<String> getThere(String path, String... headers) {
        HttpRequest.Builder request = there(path);
        return send(headers.length > 0 ? request.headers(headers).build() : request.build());
    }

    private static String tag(HttpResponse<?> answer) {
        return answer.headers().firstValue("ETag").orElse("");
    }

    private static String changing(String tree, double height) {
        return "update hosted.trees set height_m = " + height + " where tree = '" + tree + "'";
    }

    @Test
    void whatOneHasGivenTheOtherKnowsToBeUnchanged() {
        for (String path : List.of("/trees", "/trees?q=T-10&sort=-planted", "/varieties")) {
            String tag = tag(get(path));
            assertThat(tag).isNotEmpty();
            Eventually.holds(() -> tag(getThere(path)).equals(tag));
            assertThat(getThere(path, "If-None-Match", tag).statusCode()).isEqualTo(304);
        }
    }

    @Test
    void aChangeOnOneChangesTheNumberOnBoth() {
        String before = tag(getThere("/trees?q=T-333"));
        DATABASE.execute(changing("T-333", 12.3));
        Eventually.holds(() -> getThere("/trees?q=T-333").body().contains("12.3"));
        Eventually.holds(() -> get("/trees?q=T-333").body().contains("12.3"));
        assertThat(tag(getThere("/trees?q=T-333"))).isNotEqualTo(before).isEqualTo(tag(get("/trees?q=T-333")));
    }

    @Test
    void whatIsPublishedOnOneIsOnBoth() {
        drafts.change(new PageKey("adopt"), "owner", page -> page.titled("Adopt a fine tree"));
        publisher.publish(new PageKey("adopt"), Map.of(), null);
        assertThat(get("/adopt").body()).contains("Adopt a fine tree");
        Eventually.holds(() -> getThere("/adopt").body().contains("Adopt a fine tree"));
    }

    /** Also of a change that was made after the page was drawn, and before it listened, be it on another node. */
    @Test
    void aPageOpenOnOneHearsOfAChangeOnTheOther() throws Exception {
        String state = get("/trees").body().replaceFirst("(?s).*data-state=\"(\\d+)\".*", "$1");
        Eventually.holds(() -> getThere("/trees").body().contains("data-state=\"" + state + "\""));
        try (InputStream open = HTTP.send(there("/listings/live.events?listing=trees&state=" + state).build(),
                HttpResponse.BodyHandlers.ofInputStream()).body(); Scanner events = new Scanner(open, java.nio.charset.StandardCharsets.UTF_8)) {
            assertThat(events.nextLine()).isEqualTo(":");
            DATABASE.execute(changing("T-334", 9.9));
            assertThat(events.findWithinHorizon("event: rows", 1_000)).isNotNull();
        }
        try (InputStream open = HTTP.send(there("/listings/live.events?listing=trees&state=" + state).build(),
                HttpResponse.BodyHandlers.ofInputStream()).body(); Scanner events = new Scanner(open, java.nio.charset.StandardCharsets.UTF_8)) {
            assertThat(events.findWithinHorizon("event: rows", 1_000)).isNotNull();
        }
    }

    @Test
    void whatIsDoneOnceForTheSiteIsDoneOnOne() {
        AtomicInteger done = new AtomicInteger();
        once.every(Duration.ofHours(1), "a test", done::incrementAndGet);
        other().getBean(Once.class).every(Duration.ofHours(1), "a test", done::incrementAndGet);
        assertThat(done).hasValue(1);
        DATABASE.execute("update pressboard.done_once set at = at - interval '1 hour'");
        other().getBean(Once.class).every(Duration.ofHours(1), "a test", done::incrementAndGet);
        assertThat(done).hasValue(2);
    }
}
