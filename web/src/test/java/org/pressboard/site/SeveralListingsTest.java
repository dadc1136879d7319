package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.TakeAway;

/** A page with two listings: each is searched, sorted and leafed through without disturbing the other. */
class SeveralListingsTest extends WithOwnTable {

    @BeforeEach
    void publishOnePageWithTwo() {
        publish(80, listing("old", Operator.AT_MOST), listing("young", Operator.GREATER));
    }

    private static Listing listing(String key, Operator operator) {
        Condition keep = Condition.compare(YEAR, operator, org.pressboard.value.Value.of(2000L));
        return Listing.plain(new ListingKey(key), GRAFTS.key(), List.of(NAME, YEAR)).keeping(keep)
                .with(Finding.by(List.of(NAME), List.of())).with(Ordering.by(List.of(SortBy.up(YEAR))).paged(10))
                .takenAwayAs(EnumSet.allOf(TakeAway.class));
    }

    @Test
    void eachKeepsItsStateWhileTheOtherChanges() {
        Page page = desktop();
        page.navigate(address("/grafts?old~page=2"));
        Locator old = page.locator("#sheet-old");
        Locator young = page.locator("#sheet-young");
        assertThat(old.locator(".count-text")).hasText("11 to 20 of 40");
        young.getByRole(com.microsoft.playwright.options.AriaRole.SEARCHBOX).fill("Graft4");
        assertThat(young.locator(".count-text")).hasText("1 to 9 of 9 found, 40 in all");
        page.waitForURL(address("/grafts?young~q=Graft4&old~page=2"));
        // its links were drawn before the other was searched
        old.locator("a[rel=next]").click();
        assertThat(old.locator(".count-text")).hasText("21 to 30 of 40");
        page.waitForURL(address("/grafts?old~page=3&young~q=Graft4"));
        page.reload();
        assertThat(old.locator(".count-text")).hasText("21 to 30 of 40");
        assertThat(young.locator(".count-text")).hasText("1 to 9 of 9 found, 40 in all");
        assertThat(young.locator(".take-away a").first()).hasAttribute("href",
                "/listings/young/rows.csv?young~q=Graft4&old~page=3");
        page.goBack();
        assertThat(old.locator(".count-text")).hasText("11 to 20 of 40");
    }

    @Test
    void alsoWithoutScriptsAndInAddressesOfTheirOwn() {
        Page page = withoutScripts();
        page.navigate(address("/grafts?old~page=2"));
        Locator young = page.locator("#sheet-young");
        young.locator(".bar-search input").fill("Graft5");
        young.locator(".bar-go").click();
        assertThat(page.locator("#sheet-old .count-text")).hasText("11 to 20 of 40");
        assertThat(young.locator(".count-text")).hasText("1 to 10 of 10 found, 40 in all");
        assertThat(get("/listings/young/rows.json?q=Graft51").body()).contains("\"found\":1");
        assertThat(get("/listings/young/rows.csv?young~q=Graft51&old~q=1").body().lines()).hasSize(2);
    }
}
