package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.pressboard.site.HiddenInput;
import org.pressboard.testing.TestDatabase;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/**
 * The demo's site as an earlier release left it, with pages of an earlier form, comes up under this one with every page as it
 * was. Where pages are meant to look otherwise, {@code -Dpressboard.pages=keep} keeps them as they are now; the old rows stay.
 */
class UpgradeTest {

    private static final Instant THEN = Instant.parse("2026-11-30T12:00:00Z");
    private static final String ROWS = "before/orchard.sql.gz";
    private static final String PAGES = "before/pages.txt.gz";
    private static final String PAGE = "\n==== ";

    private static final List<String> ADDRESSES = List.of("/varieties", "/varieties?size=50", "/trees", "/trees?q=plum",
            "/trees?f.health=Good&sort=-planted", "/trees?page=3", "/trees/T-014", "/my-pickings", "/my-pickings?f.grade=A",
            "/adopt", "/adopt?sort=-highest", "/work-days", "/repairs", "/listings/trees/rows.csv?q=t-0",
            "/listings/varieties/rows.json");

    private static ConfigurableApplicationContext site;

    /** The clock as it was when the rows were made; found by no scan. */
    static class StoppedClock {

        @Bean
        @Primary
        Clock stopped() {
            return Clock.fixed(THEN, ZoneOffset.UTC);
        }
    }

    @BeforeAll
    static void start() throws IOException {
        TestDatabase database = TestDatabase.create();
        database.execute(text(ROWS));
        String[] settings = Stream.concat(database.properties().entrySet().stream().map(each -> "--" + each.getKey() + "=" + each.getValue()),
                Stream.of("--server.port=0", "--pressboard.requests-per-second=2000")).toArray(String[]::new);
        site = new SpringApplicationBuilder(PressboardApplication.class, StoppedClock.class).run(settings);
    }

    @AfterAll
    static void stop() {
        site.close();
    }

    @Test
    void everyPageIsAsItWas() throws IOException, InterruptedException {
        String now = pages(HttpClient.newBuilder().cookieHandler(new CookieManager()).build(), "nobody")
                + pages(signedIn("mira@example.org"), "mira") + pages(signedIn("owner@example.org"), "owner");
        if ("keep".equals(System.getProperty("pressboard.pages"))) {
            keep(now);
        }
        List<String> before = List.of(text(PAGES).split(PAGE));
        List<String> after = List.of(now.split(PAGE));
        assertThat(after).hasSameSizeAs(before);
        for (int i = 0; i < before.size(); i++) {
            assertThat(elements(after.get(i))).containsExactlyElementsOf(elements(before.get(i)));
        }
    }

    /** Where lines break says nothing, nor how many blanks there are. */
    private static List<String> elements(String page) {
        return List.of(page.replaceAll("\\s+", " ").replace(" >", ">").split("(?=<)"));
    }

    private static String pages(HttpClient who, String called) throws IOException, InterruptedException {
        StringBuilder pages = new StringBuilder();
        for (String address : ADDRESSES) {
            HttpResponse<String> answer = get(who, address);
            pages.append(PAGE).append(called).append(' ').append(address).append(' ').append(answer.statusCode()).append('\n')
                    .append(lasting(answer.body()));
        }
        return pages.toString();
    }

    /** Without what differs from one start to the next, or with what is known already of counts. */
    private static String lasting(String page) {
        return page.replaceAll("/assets/[a-z0-9]+/", "/assets/").replaceAll("(name=\"(_csrf|begun)\" value=\")[^\"]*", "$1")
                .replaceAll("data-state=\"[^\"]*\"", "").replaceAll(" data-untold=\"yes\"", "")
                .replaceAll("<span class=\"pick-rows\">[^<]*</span>", "");
    }

    private static HttpResponse<String> get(HttpClient who, String address) throws IOException, InterruptedException {
        return who.send(HttpRequest.newBuilder(at(address)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private static HttpClient signedIn(String email) throws IOException, InterruptedException {
        HttpClient who = HttpClient.newBuilder().cookieHandler(new CookieManager()).build();
        List<String> fields = new ArrayList<>();
        fields.add("_csrf=" + HiddenInput.of(get(who, "/sign-in").body(), "_csrf"));
        fields.add("email=" + URLEncoder.encode(email, StandardCharsets.UTF_8));
        fields.add("password=quillbrook");
        HttpResponse<String> answer = who.send(HttpRequest.newBuilder(at("/sign-in"))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(String.join("&", fields))).build(), HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(302);
        assertThat(answer.headers().firstValue("Location")).hasValueSatisfying(to -> assertThat(to).doesNotContain("failed"));
        return who;
    }

    private static URI at(String address) {
        return URI.create("http://localhost:" + site.getEnvironment().getProperty("local.server.port") + address);
    }

    private static String text(String file) throws IOException {
        try (InputStream in = Objects.requireNonNull(UpgradeTest.class.getClassLoader().getResourceAsStream(file), file);
                GZIPInputStream whole = new GZIPInputStream(in)) {
            return new String(whole.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static void keep(String pages) throws IOException {
        Path file = Path.of("src/test/resources", PAGES);
        try (OutputStream out = new GZIPOutputStream(Files.newOutputStream(file))) {
            out.write(pages.getBytes(StandardCharsets.UTF_8));
        }
    }
}
