package org.pressboard.site;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Drafts;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.listing.Listing;
import org.pressboard.listing.Opening;
import org.pressboard.schema.Publisher;
import org.pressboard.testing.TestDatabase;
import org.pressboard.wiring.PressboardApplication;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/**
 * The whole application with the demo's orchard, one for all tests that extend this. A machine that halts for a moment
 * must not change what is counted.
 */
@SpringBootTest(classes = PressboardApplication.class, webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {"pressboard.demo=true", "pressboard.longest-count=20s", "pressboard.quick-count=20s",
            "pressboard.proxies=127.0.0.1, 0:0:0:0:0:0:0:1", "pressboard.requests-per-second=2000",
                    "pressboard.shortest-filling=0s"})
public abstract class RunningSite {

    protected static final TestDatabase DATABASE = TestDatabase.create();
    protected static final Relay RELAY = new Relay(port(DATABASE.url()));

    @LocalServerPort
    private int port;

    private final HttpClient http = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) {
        registry.add("PRESSBOARD_DB_URL", () -> DATABASE.url().replaceFirst(":\\d+/", ":" + RELAY.port() + "/"));
        registry.add("PRESSBOARD_DB_USER", DATABASE::user);
        registry.add("PRESSBOARD_DB_PASSWORD", DATABASE::password);
    }

    /** What tests look at as a table is one here, whatever the demo makes of it. */
    @Autowired
    void varietiesAsATable(Catalog catalog, Drafts drafts, Publisher publisher) {
        PageKey page = new PageKey("varieties");
        Listing listing = catalog.page(page).orElseThrow().draft().listings().getFirst();
        if (listing.show().layout().kind() != LayoutKind.TABLE) {
            drafts.change(page, "test", draft -> draft.changing(listing.key(), it -> it.with(Opening.NONE)
                    .with(Finding.by(it.find().search(), it.find().narrow())).with(it.show().in(LayoutKind.TABLE))));
            publisher.publish(page, Map.of(listing.table(), Openness.EVERYONE), null);
        }
    }

    private static int port(String url) {
        Matcher port = Pattern.compile(":(\\d+)/").matcher(url);
        if (!port.find()) {
            throw new IllegalArgumentException(url);
        }
        return Integer.parseInt(port.group(1));
    }

    protected String address(String path) {
        return "http://localhost:" + port + path;
    }

    /** Asks as somebody who is not signed in; headers as names and values in turn. */
    protected HttpResponse<String> get(String path, String... headers) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address(path)));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return send(request.build());
    }

    protected HttpResponse<String> send(HttpRequest request) {
        try {
            return http.send(request, HttpResponse.BodyHandlers.ofString());
        } catch (IOException failed) {
            throw new IllegalStateException(failed);
        } catch (InterruptedException stop) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(stop);
        }
    }
}
