package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.EnumSet;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.TakeAway;

/** A listing of more rows than are counted while somebody waits. */
class ManyRowsTest extends WithOwnTable {

    @BeforeEach
    void publishMany() {
        publish(60_000, Listing.plain(new ListingKey("grafts"), GRAFTS.key(), List.of(NAME, YEAR))
                .with(Finding.by(List.of(NAME), List.of())).with(Ordering.by(List.of(SortBy.up(YEAR))))
                .takenAwayAs(EnumSet.allOf(TakeAway.class)));
    }

    @Test
    void oneLetterOrTwoAreSearchedWhenNoMoreFollow() {
        Page page = withClockStopped();
        AtomicInteger asked = asked(page);
        Locator box = page.getByRole(AriaRole.SEARCHBOX);
        box.pressSequentially("77");
        page.clock().runFor(900);
        assertThat(asked).hasValue(0);
        page.clock().runFor(500);
        page.clock().resume();
        assertThat(page.locator(".table tbody td").first()).hasText("Graft77");
        box.pressSequentially("77");
        assertThat(page.locator(".table tbody td").first()).hasText("Graft7777");
    }

    @Test
    void enterSearchesThemAtOnceAndOnce() {
        Page page = withClockStopped();
        AtomicInteger asked = asked(page);
        Locator box = page.getByRole(AriaRole.SEARCHBOX);
        box.pressSequentially("77");
        box.press("Enter");
        page.clock().runFor(2_000);
        page.clock().resume();
        assertThat(page.locator(".table tbody td").first()).hasText("Graft77");
        assertThat(asked).hasValue(1);
    }

    private Page withClockStopped() {
        Page page = desktop();
        page.clock().install();
        page.navigate(address("/grafts"));
        assertThat(page.locator(".count-text")).hasText("1 to 25 of more than 50,000");
        page.clock().pauseAt(System.currentTimeMillis() + 60_000);
        return page;
    }

    private static AtomicInteger asked(Page page) {
        AtomicInteger asked = new AtomicInteger();
        page.onRequest(request -> asked.addAndGet(request.url().contains("/listings/grafts/rows?") ? 1 : 0));
        return asked;
    }

    @Test
    void theWholeNumberIsToldWhenAskedFor() {
        Page page = desktop();
        page.navigate(address("/grafts?q=graft"));
        link(page, "Count them all").click();
        assertThat(page.locator(".count")).containsText("60,000");
    }
}
