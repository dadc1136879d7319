package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Open pages follow what others change, and let be what one is about to do. */
class LiveTest extends InBrowser {

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private PlatformTransactionManager transactions;

    private void update(String statement) {
        new TransactionTemplate(transactions).executeWithoutResult(status -> database.update(statement));
    }

    @Test
    void whatOthersChangeIsSeenAndWhatIsTypedStays() {
        Page page = desktop();
        page.waitForResponse(answer -> answer.url().contains("live.events"), () -> page.navigate(address("/trees?q=T-10")));
        update("update hosted.trees set height_m = 77.7 where tree = 'T-101'");
        assertThat(page.locator(".table tbody")).containsText("77.7");
        // while somebody types, nothing moves below them; once they have left, it follows
        page.locator("[name='q']").focus();
        update("update hosted.trees set height_m = 66.6 where tree = 'T-101'");
        page.locator("[name='q']").fill("T-101");
        waitForCount(page, "1 to 1 of 1 found, 960 in all");
        assertThat(page.locator("[name='q']")).hasValue("T-101");
        page.locator("h1").click();
        assertThat(page.locator(".table tbody")).containsText("66.6");
        String address = page.url();
        assertThat(address).contains("q=T-101");
    }

    @Test
    void whatOthersChangeDoesNotTakeAwayWhatIsLookedForMeanwhile() {
        Page page = desktop();
        page.waitForResponse(answer -> answer.url().contains("live.events"), () -> page.navigate(address("/trees?q=T-11")));
        List<Route> held = new ArrayList<>();
        page.route("**/listings/trees/rows?q=T-11", held::add);
        update("update hosted.trees set height_m = 55.5 where tree = 'T-112'");
        page.waitForCondition(() -> held.size() == 1);
        page.locator("[name='q']").fill("T-112");
        waitForCount(page, "1 to 1 of 1 found, 960 in all");
        page.waitForRequest(request -> request.resourceType().equals("fetch") && request.url().endsWith("/listings/trees/rows?q=T-112"),
                held.getFirst()::resume).response().finished();
        waitForCount(page, "1 to 1 of 1 found, 960 in all");
        assertThat(page.locator(".table tbody")).containsText("55.5");
    }

    @Test
    void aPledgeMovesTheHighestOnOthersPages() {
        Page page = desktop();
        page.waitForResponse(answer -> answer.url().contains("live.events"), () -> page.navigate(address("/adopt/T-210")));
        update("insert into hosted.pledges (tree, amount, made_on) select row_id, 4321, current_date from hosted.trees where tree = 'T-210'");
        assertThat(page.locator(".opened-lines")).containsText("£4,321.00");
    }

    @Test
    void nobodyListensToWhatTheyMayNotSee() {
        assertThat(get("/listings/live.events?listing=repairs").statusCode()).isEqualTo(404);
        assertThat(get("/listings/live.events?listing=nothing").statusCode()).isEqualTo(404);
        assertThat(get("/listings/live.events").statusCode()).isEqualTo(400);
    }
}
