package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.testing.Eventually;

/** While the database is away the site says so, and it is well again when the database is back, without a restart. */
class DatabaseAwayTest extends RunningSite {

    @AfterEach
    void mend() {
        RELAY.mend();
        // every connection of the pool has been looked at by then
        Eventually.holds(() -> IntStream.range(0, 20).allMatch(i -> get("/trees?q=well" + i).statusCode() == 200
                && get("/actuator/health").statusCode() == 200));
    }

    @Test
    void theSiteSaysSoAndHealsByItself() {
        assertThat(get("/trees").statusCode()).isEqualTo(200);
        RELAY.cut();
        // until every connection of the pool has been found dead
        Eventually.holds(() -> IntStream.range(0, 3).allMatch(i -> get("/trees?q=away" + i).statusCode() == 503));
        HttpResponse<String> page = get("/trees?q=another");
        assertThat(page.statusCode()).isEqualTo(503);
        assertThat(page.body()).contains("The database cannot be reached");
        assertThat(page.headers().firstValue("Retry-After")).contains("5");
        HttpResponse<String> json = get("/listings/trees/rows.json?q=another");
        assertThat(json.statusCode()).isEqualTo(503);
        assertThat(json.headers().firstValue("Content-Type").orElse("")).startsWith("application/problem+json");
        // somebody signed in has a session in the same database
        assertThat(get("/desk", "Cookie", "pressboard=ZGVhZGJlZWY=").statusCode()).isEqualTo(503);
        assertThat(get("/actuator/health/readiness").statusCode()).isEqualTo(503);
        assertThat(get("/actuator/health/liveness").statusCode()).isEqualTo(200);
        RELAY.mend();
        Eventually.holds(() -> get("/actuator/health/readiness").statusCode() == 200);
        Eventually.holds(() -> get("/trees?q=T-001").statusCode() == 200);
        assertThat(get("/trees?q=T-001").body()).contains("1 to 1 of 1 found, 960 in all");
    }
}
