package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.schema.Publisher;
import org.pressboard.table.TableKey;
import org.pressboard.testing.Eventually;
import org.springframework.beans.factory.annotation.Autowired;

/** What the addresses answer, to whom, and with which headers. */
class AddressesTest extends RunningSite {

    @Autowired
    private Publisher publisher;

    @Autowired
    private Catalog catalog;

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "/varieties|1 to 25 of 136", "/trees?page=2|26 to 50 of 960", "/trees?size=100|1 to 100 of 960",
        "/varieties?f.use=Cider|136 in all", "/trees?q=T-001|1 to 1 of 1 found, 960 in all",
        "/trees?sort=-planted|aria-sort=\"descending\"", "/trees?page=99|There is no page 99. The last page is 39.",
        "/trees?sort=nosuch|“nosuch”", "/trees?f.health=Fine|Nothing found"})
    void pagesAreCompleteWithoutScripts(String path, String text) {
        HttpResponse<String> answer = get(path);
        assertThat(answer.statusCode()).isEqualTo(200);
        assertThat(answer.body()).contains(text);
    }

    @Test
    void behindTheLastPageThereIsAWayToIt() {
        String body = get("/trees?page=900&sort=-planted").body();
        assertThat(body).contains("There is no page 900. The last page is 39.").doesNotContain("There are no rows here yet.", "No rows");
        assertThat(body).containsPattern("<a class=\"button\" href=\"/trees\\?sort=-planted&amp;page=39\"[^>]*>Last page</a>");
        assertThat(get("/trees?q=zzzz&page=2").body()).contains("Nothing found").doesNotContain("There is no page");
    }

    @Test
    void theFragmentIsTheSheetAloneAndTellsThePagesAddress() {
        HttpResponse<String> answer = get("/listings/trees/rows?sort=-planted&page=2", "HX-Request", "true",
                "HX-Source", "a");
        assertThat(answer.body().strip()).startsWith("<section").doesNotContain("<html").contains("26 to 50 of 960");
        assertThat(answer.headers().firstValue("HX-Push-Url")).contains("/trees?sort=-planted&page=2");
        HttpResponse<String> typed = get("/listings/trees/rows?q=ash", "HX-Request", "true", "HX-Source", "input#x");
        assertThat(typed.headers().firstValue("HX-Replace-Url")).contains("/trees?q=ash");
    }

    @Test
    void takeAwayHasEveryRowThatMatches() {
        HttpResponse<String> csv = get("/listings/trees/rows.csv?f.health=Poor&page=3");
        assertThat(csv.headers().firstValue("Content-Type").orElse("")).startsWith("text/csv");
        assertThat(csv.body()).startsWith("Tree,Plot,Variety,Season,Health,Planted,Height (m),Picked this season,"
                + "Highest pledge,Propped\r\nT-0");
        String found = get("/listings/trees/rows.json?f.health=Poor").body();
        assertThat(found).contains("\"found\":" + (csv.body().lines().count() - 1));
        assertThat(get("/listings/trees/rows.json?q=T-001").body()).contains("\"tree\":\"T-001\"")
                .contains("\"planted\":\"2016-08-20\"").contains("\"height_m\":3.0").contains("\"propped\":false");
    }

    @ParameterizedTest
    @ValueSource(strings = {"f.health=Poor&page=x", "f.helth=Poor", "q=a&q=b", "f.planted.from=soon", "colour=red",
        "sort=nosuch", "f.planted.from=2020-01-02&f.planted.to=2020-01-01"})
    void whatCannotBeFollowedWholeIsNotCarriedAway(String query) {
        for (String ending : new String[] {".csv", ".json"}) {
            HttpResponse<String> answer = get("/listings/trees/rows" + ending + "?" + query);
            assertThat(answer.statusCode()).isEqualTo(400);
            assertThat(answer.headers().firstValue("Content-Type")).contains("application/problem+json");
            assertThat(answer.body()).contains("Nothing is sent").contains("\"parts\":[\"").doesNotContain("T-0");
        }
    }

    @Test
    void rangesNarrowByAddressAndLinksToTakeAwayCarryThem() {
        assertThat(get("/trees?f.planted.from=2024-01-01&f.height_m.to=2").body())
                .contains("rows.csv?f.height_m.to=2&amp;f.planted.from=2024-01-01").contains("960 in all");
        long found = get("/listings/trees/rows.csv?f.planted.from=2024-01-01&f.height_m.to=2").body().lines().count() - 1;
        assertThat(get("/listings/trees/rows/count?f.planted.from=2024-01-01&f.height_m.to=2").body())
                .isEqualTo(Long.toString(found));
        assertThat(found).isPositive();
    }

    @ParameterizedTest
    @ValueSource(strings = {"/nowhere", "/listings/nowhere/rows", "/listings/nowhere/rows.csv", "/a/b/c", "/trees/..%2f",
        "/files/trees/x.svg", "/desk.html", "/assets/none/site.css"})
    void whatIsNotThereIs404(String path) {
        assertThat(get(path).statusCode()).isIn(404, 400);
    }

    @Test
    void programsGetProblemDetails() {
        HttpResponse<String> answer = get("/listings/nowhere/rows.json");
        assertThat(answer.statusCode()).isEqualTo(404);
        assertThat(answer.headers().firstValue("Content-Type")).contains("application/problem+json");
        assertThat(answer.body()).contains("\"status\":404").contains("\"detail\":\"This listing is not published");
    }

    @Test
    void whoeverAsksFasterThanPeopleDoIsToldToWait() {
        HttpResponse<String> answer = get("/trees");
        for (int i = 0; answer.statusCode() == 200 && i < 2_000; i++) {
            answer = get("/listings/trees/rows.json?q=" + i, "X-Forwarded-For", "203.0.113.7");
        }
        assertThat(answer.statusCode()).isEqualTo(429);
        assertThat(answer.headers().firstValue("Retry-After")).contains("1");
        assertThat(answer.body()).contains("Wait 1 s and try again");
        assertThat(get("/listings/trees/rows?q=T-003", "X-Forwarded-For", "203.0.113.8").statusCode()).isEqualTo(200);
        assertThat(get("/trees", "X-Forwarded-For", "203.0.113.7").statusCode()).as("known already").isEqualTo(200);
    }

    @Test
    void aTableThatIsNotGrantedGivesNoRowByAnyAddress() {
        TableKey trees = new TableKey("trees");
        publisher.open(trees, Openness.MEMBERS);
        try {
            for (String path : new String[] {"/trees", "/trees?q=T-001", "/listings/trees/rows",
                "/listings/trees/rows.csv", "/listings/trees/rows.json", "/listings/trees/rows/count"}) {
                HttpResponse<String> answer = get(path);
                assertThat(answer.statusCode()).as(path).isEqualTo(404);
                assertThat(answer.body()).as(path).doesNotContain("T-0").contains("not published");
            }
            assertThat(get("/varieties").body()).doesNotContain("href=\"/trees\"");
        } finally {
            publisher.open(trees, Openness.EVERYONE);
        }
        assertThat(get("/trees").statusCode()).isEqualTo(200);
    }

    private String picture() {
        return Pattern.compile("<img src=\"(/files/varieties/[^\"?]+)").matcher(get("/varieties").body()).results()
                .findFirst().orElseThrow().group(1);
    }

    @Test
    void picturesAreShownToThoseWhoSeeTheirRows() {
        String picture = picture();
        HttpResponse<String> answer = get(picture);
        assertThat(answer.body()).startsWith("<svg");
        assertThat(answer.headers().firstValue("Content-Security-Policy")).get().asString()
                .startsWith("default-src 'none';").endsWith("sandbox");
        TableKey varieties = new TableKey("varieties");
        publisher.open(varieties, Openness.NOBODY);
        try {
            assertThat(get(picture).statusCode()).isEqualTo(404);
        } finally {
            publisher.open(varieties, Openness.EVERYONE);
        }
    }

    @Test
    void thePicturesOfAWithdrawnPageAreAsClosedAsItsRows() {
        String picture = picture();
        PageKey varieties = new PageKey("varieties");
        catalog.withdraw(varieties);
        try {
            assertThat(get(picture).statusCode()).isEqualTo(404);
        } finally {
            publisher.publish(varieties, Map.of(), null);
        }
        assertThat(get(picture).statusCode()).isEqualTo(200);
    }

    @Test
    void textsThatASpreadsheetWouldCarryOutAreHarmlessUnlessAskedForBare() {
        DATABASE.execute("update hosted.trees set health = '=1+1' where tree = 'T-002'");
        try {
            Eventually.holds(() -> get("/listings/trees/rows.csv?q=T-002").body().contains(",'=1+1,"));
            assertThat(get("/listings/trees/rows.csv?q=T-002&cells=bare").body()).contains(",=1+1,");
            assertThat(get("/listings/trees/rows.json?q=T-002").body()).contains("\"health\":\"=1+1\"");
            assertThat(get("/listings/trees/rows.csv?q=T-002&cells=bold").statusCode()).isEqualTo(400);
        } finally {
            DATABASE.execute("update hosted.trees set health = 'Good' where tree = 'T-002'");
        }
    }

    @Test
    void anUnchangedPageIsNotSentAgainAndAChangedOneIs() {
        Eventually.holds(() -> tag("/trees").equals(tag("/trees")));
        String tag = tag("/trees");
        assertThat(get("/trees", "If-None-Match", tag).statusCode()).isEqualTo(304);
        DATABASE.execute("update hosted.trees set notes = notes where tree = 'T-001'");
        Eventually.holds(() -> get("/trees", "If-None-Match", tag).statusCode() == 200);
    }

    @Test
    void pagesAndPicturesAreCompressedForThoseWhoTakeIt() {
        for (String path : new String[] {"/trees", picture()}) {
            HttpResponse<String> answer = get(path, "Accept-Encoding", "gzip");
            assertThat(answer.headers().firstValue("Content-Encoding")).as(path).contains("gzip");
            assertThat(answer.headers().firstValue("Vary").orElse("")).containsIgnoringCase("Accept-Encoding");
        }
    }

    private String tag(String path) {
        return get(path).headers().firstValue("ETag").orElseThrow();
    }

    @Test
    void headersForbidWhatPagesDoNotNeed() {
        HttpResponse<String> answer = get("/trees");
        assertThat(answer.headers().firstValue("Content-Security-Policy").orElse(""))
                .contains("default-src 'self'").doesNotContain("unsafe");
        assertThat(answer.headers().firstValue("X-Content-Type-Options")).contains("nosniff");
        assertThat(answer.headers().firstValue("Vary").orElse("")).containsIgnoringCase("HX-Request");
        assertThat(answer.headers().allValues("Set-Cookie")).isEmpty();
        assertThat(answer.body()).doesNotContain("<script>").doesNotContain(" style=").doesNotContain(" onclick");
    }

    @ParameterizedTest
    @ValueSource(strings = {"/desk", "/desk/tables", "/desk/pages/trees", "/desk/settings"})
    void theDeskWantsASignIn(String path) {
        HttpResponse<String> answer = get(path);
        assertThat(answer.statusCode()).isEqualTo(302);
        assertThat(answer.headers().firstValue("Location").orElse("")).endsWith("/sign-in");
    }

    @Test
    void changesWithoutATokenAreRefused() {
        HttpRequest post = HttpRequest.newBuilder(URI.create(address("/desk/pages/trees/withdraw")))
                .POST(HttpRequest.BodyPublishers.noBody()).build();
        HttpResponse<String> refused = send(post);
        assertThat(refused.statusCode()).isEqualTo(403);
        assertThat(refused.body()).contains("Not for you");
        HttpRequest byProgram = HttpRequest.newBuilder(URI.create(address("/desk/pages/trees/withdraw")))
                .header("Accept", "application/json").POST(HttpRequest.BodyPublishers.noBody()).build();
        assertThat(send(byProgram).headers().firstValue("Content-Type")).contains("application/problem+json");
        HttpRequest upload = HttpRequest.newBuilder(URI.create(address("/desk/intake")))
                .header("Content-Type", "multipart/form-data; boundary=x")
                .POST(HttpRequest.BodyPublishers.ofString("--x--")).build();
        assertThat(send(upload).statusCode()).isEqualTo(403);
        assertThat(get("/trees").statusCode()).isEqualTo(200);
    }

    @Test
    void theActuatorTellsStrangersOnlyWhetherItLives() {
        assertThat(get("/actuator/health").body()).contains("UP").doesNotContain("PostgreSQL");
        assertThat(get("/actuator/env").statusCode()).isIn(302, 404);
    }
}
