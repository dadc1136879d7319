package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.PageBin;
import org.pressboard.edition.PageKey;
import org.pressboard.schema.Bin;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/** Pages are put into the order of the menu, and removed ones wait in the bin. */
class PageListTest extends AtBench {

    @Autowired
    private PageBin pages;

    @Autowired
    private Bin bin;

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private TransactionTemplate transactions;

    @Test
    void theMenuIsInTheOrderOfThePages() {
        List<PageKey> before = List.copyOf(catalog.pages().keySet());
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        assertThat(page.getByLabel("Move Varieties up")).isDisabled();
        for (int place = before.indexOf(new PageKey("trees")); place > 0; place--) {
            page.getByLabel("Move Find a tree up").click();
            assertThat(page.locator("tbody .strong-link").nth(place - 1)).hasText("Find a tree");
        }
        assertThat(violations(page)).isEmpty();
        Page visitor = desktop();
        visitor.navigate(address("/varieties"));
        assertThat(visitor.locator("nav.tabs a").first()).hasText("Find a tree");
        page.getByLabel("Move Find a tree down").click();
        assertThat(page.locator("tbody .strong-link").first()).hasText("Varieties");
        catalog.order(before);
    }

    @Test
    void aRemovedPageWaitsInTheBinWithAllThatIsOnIt() {
        Page page = bench();
        page.navigate(address("/desk/pages/crates"));
        page.getByLabel("everyone").check();
        button(page, "Publish").click();
        assertThat(button(page, "Remove the page")).hasCount(0);
        button(page, "Take off the site").click();
        button(page, "Remove the page").click();
        assertThat(page.locator("[role=status]")).hasText("“Crates” has been removed. It waits in the bin below.");
        assertThat(page.locator("tbody").getByText("Crates", new Locator.GetByTextOptions().setExact(true))).hasCount(0);
        assertThat(page.request().get(address(BENCH)).status()).isEqualTo(404);
        assertThat(page.request().get(address("/crates")).status()).isEqualTo(404);

        // its address stays its own
        page.navigate(address("/desk/pages"));
        page.locator(".make-table [name=table]").selectOption("crates");
        button(page, "Add").click();
        page.waitForURL(address("/desk/pages/crates-2/crates-2"));
        page.navigate(address("/desk/pages"));
        page.locator(".bin-panel summary").click();
        page.getByLabel("Put back: Crates").click();
        page.waitForURL(address("/desk/pages/crates"));
        assertThat(page.locator("main")).containsText("not published");
        page.navigate(address("/desk/editions/crates"));
        assertThat(page.locator("main")).containsText("Edition 1");
    }

    @Test
    void whatVisitorsGetIsNotRemovedAndWhatWasRemovedLongAgoIsGone() {
        Page page = bench();
        catalog.publish(new PageKey("crates"), null);
        page.navigate(address("/desk/pages/crates"));
        page.locator("form[action$='/withdraw']").evaluate("form => form.action = form.action.replace('withdraw', 'remove')");
        button(page, "Take off the site").click();
        assertThat(page.locator("[role=alert]").first()).containsText("Take it off the site first");
        catalog.withdraw(new PageKey("crates"));
        pages.put(new PageKey("crates"));
        bin.empty();
        assertThat(catalog.pageKeys()).contains("crates");
        transactions.executeWithoutResult(status -> database.update(
                "update pressboard.page set removed_at = now() - interval '31 days' where key = 'crates'"));
        bin.empty();
        assertThat(catalog.pageKeys()).doesNotContain("crates");
    }
}
