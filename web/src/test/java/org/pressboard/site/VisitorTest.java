package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.LoadState;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A visitor finds rows, with scripts and without, at a desk and on a phone. */
class VisitorTest extends InBrowser {

    @Test
    void formattedTextIsCopiedInItsWordsOnOneLine() {
        Page page = page(new Browser.NewContextOptions().setViewportSize(1280, 800)
                .setPermissions(List.of("clipboard-read", "clipboard-write")));
        page.navigate(address("/work-days?q=wall+pruning"));
        button(page, "Copy").click();
        assertThat(page.locator(".notices")).hasText("One row copied. Paste it into a spreadsheet.");
        assertThat(String.valueOf(page.evaluate("navigator.clipboard.readText()")))
                .contains("\tBring gloves and a saw. start at the gate tea at eleven\t");
    }

    @Test
    void searchingAsYouTypeChangesRowsCountAndAddressWithoutReload() {
        Page page = desktop();
        page.navigate(address("/varieties"));
        page.evaluate("window.sameDocument = true");
        waitForCount(page, "1 to 25 of 136");
        page.keyboard().press("/");
        assertThat(search(page)).isFocused();
        page.keyboard().type("russet", new com.microsoft.playwright.Keyboard.TypeOptions().setDelay(20));
        page.waitForURL(address("/varieties?q=russet"));
        assertThat(page.locator(".count-text")).hasText(Pattern.compile("1 to \\d+ of \\d+ found, 136 in all"));
        assertThat(column(page, 1)).isNotEmpty().allMatch(name -> name.contains("Russet"));
        assertThat(search(page)).isFocused();
        assertThat(search(page)).hasValue("russet");
        assertThat(page.evaluate("window.sameDocument")).isEqualTo(true);
    }

    @Test
    void sortingByAHeadingSaysSoAndKeepsTheFocus() {
        Page page = desktop();
        page.navigate(address("/trees"));
        Locator planted = page.locator("th").filter(new Locator.FilterOptions().setHasText("Planted"));
        planted.locator("a").focus();
        page.keyboard().press("Enter");
        page.waitForURL(address("/trees?sort=planted"));
        assertThat(planted).hasAttribute("aria-sort", "ascending");
        assertThat(planted.locator("a")).isFocused();
        page.keyboard().press("Enter");
        page.waitForURL(address("/trees?sort=-planted"));
        assertThat(planted).hasAttribute("aria-sort", "descending");
        assertThat(planted.locator("a")).isFocused();
        assertThat(page.locator("th[aria-sort]")).hasCount(1);
    }

    @Test
    void datesAndNumbersAreNarrowedByTheirEnds() {
        Page page = desktop();
        page.navigate(address("/trees"));
        page.locator("summary").getByText("Planted").click();
        page.getByLabel("From").first().fill("2024-01-01");
        page.getByLabel("From").first().blur();
        page.waitForURL(address("/trees?f.planted.from=2024-01-01"));
        assertThat(page.locator(".chip").first()).containsText("from 1 Jan 2024");
        page.keyboard().press("Escape");
        page.locator("summary").getByText("More").click();
        page.locator("input[name='f.height_m.to']").fill("1.5");
        page.locator("input[name='f.height_m.to']").press("Enter");
        page.waitForURL(address("/trees?f.height_m.to=1.5&f.planted.from=2024-01-01"));
        assertThat(page.locator(".chip")).hasCount(2);
        assertThat(violations(page)).isEmpty();
        page.goBack();
        page.waitForURL(address("/trees?f.planted.from=2024-01-01"));
        assertThat(page.locator(".chip")).hasCount(1);
    }

    @Test
    void onAPhoneARowBeginsWithItsPictureAndName() {
        Page page = phone();
        page.navigate(address("/varieties"));
        Locator row = page.locator(".table tbody tr").first();
        double picture = row.locator("td.picture").boundingBox().y;
        double name = row.locator("td.naming").boundingBox().y;
        assertThat(picture).isLessThan(name);
        assertThat(name).isLessThan(row.locator("td.tag").first().boundingBox().y);
        assertThat(row.locator("td.naming").evaluate("cell => getComputedStyle(cell, '::before').display"))
                .isEqualTo("none");
    }

    @Test
    void narrowingAddsChipsThatCanBeTakenAwayAgain() {
        Page page = desktop();
        page.navigate(address("/varieties"));
        page.locator("summary").filter(new Locator.FilterOptions().setHasText("Use")).click();
        page.getByLabel("Cider").check();
        page.waitForURL(address("/varieties?f.use=Cider"));
        assertThat(column(page, 2)).isNotEmpty().allMatch("Cider"::equals);
        page.getByLabel("Drying").check();
        page.waitForURL(address("/varieties?f.use=Cider&f.use=Drying"));
        assertThat(column(page, 2)).containsOnly("Cider", "Drying");
        assertThat(page.locator(".chip")).hasCount(2);
        page.keyboard().press("Escape");
        link(page, "Remove Use: Cider").click();
        page.waitForURL(address("/varieties?f.use=Drying"));
        assertThat(page.getByLabel("Cider")).not().isChecked();
        link(page, "Clear all").click();
        page.waitForURL(address("/varieties"));
        waitForCount(page, "1 to 25 of 136");
        assertThat(page.locator(".chip")).hasCount(0);
    }

    @Test
    void backAndReloadBringTheStateBack() {
        Page page = desktop();
        page.navigate(address("/trees"));
        link(page, "Page 2").click();
        page.waitForURL(address("/trees?page=2"));
        waitForCount(page, "26 to 50 of 960");
        List<String> second = column(page, 0);
        page.locator("a[rel=next]").click();
        page.waitForURL(address("/trees?page=3"));
        waitForCount(page, "51 to 75 of 960");
        page.goBack();
        waitForCount(page, "26 to 50 of 960");
        assertThat(column(page, 0)).isEqualTo(second);
        page.reload();
        assertThat(column(page, 0)).isEqualTo(second);
        page.goBack();
        waitForCount(page, "1 to 25 of 960");
        // what came back by Back works as before
        page.locator("a[rel=next]").click();
        waitForCount(page, "26 to 50 of 960");
        search(page).fill("T-9");
        page.waitForURL(address("/trees?q=T-9"));
    }

    @Test
    void nothingFoundOffersAWayOut() {
        Page page = desktop();
        page.navigate(address("/trees?q=zzzz"));
        assertThat(page.locator(".count-text")).hasText("Nothing found, 960 in all");
        link(page, "Show all").click();
        waitForCount(page, "1 to 25 of 960");
    }

    @Test
    void withoutScriptsEverythingIsThere() {
        Page page = withoutScripts();
        page.navigate(address("/varieties"));
        search(page).fill("pippin");
        page.locator("summary").filter(new Locator.FilterOptions().setHasText("Use")).click();
        page.getByLabel("Eating").check();
        button(page, "Search").click();
        assertThat(column(page, 1)).isNotEmpty().allMatch(name -> name.contains("Pippin"));
        assertThat(column(page, 2)).allMatch("Eating"::equals);
        page.locator("th a").filter(new Locator.FilterOptions().setHasText("First recorded")).click();
        assertThat(column(page, 8).stream().filter(year -> !year.equals("–")).toList()).isSorted();
        page.navigate(address("/varieties?page=6"));
        assertThat(page.locator(".count-text")).hasText("126 to 136 of 136");
        assertThat(page.locator("a[rel=next]")).hasCount(0);
    }

    @Test
    void onAPhoneRowsFoldIntoLabelledLinesAndNothingScrollsSideways() {
        Page page = phone();
        for (String path : List.of("/varieties", "/trees?q=a&f.health=Good&f.propped=no")) {
            page.navigate(address(path));
            assertThat((Integer) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(390);
            assertThat(page.locator(".table thead")).isHidden();
            Object label = page.evaluate("getComputedStyle(document.querySelector('td.text'), '::before').content");
            assertThat((String) label).matches("\"(Name|Tree)\"");
        }
        page.locator("[data-fold]").click();
        page.getByLabel("Sort").selectOption("-planted");
        page.waitForURL(Pattern.compile(".*sort=-planted.*"));
    }

    /** What can be filtered by folds behind a button that says how much is set, and stays unfolded while one filters. */
    @Test
    void onAPhoneTheFirstRowIsSeenAtOnce() {
        Page page = phone();
        page.navigate(address("/trees?f.health=Good&f.propped=no"));
        assertThat(page.locator(".table tbody tr").first().boundingBox().y).isLessThan(844 / 2.0);
        assertThat(page.locator(".menu").first()).isHidden();
        Locator fold = page.locator("[data-fold]");
        assertThat(fold).hasText("Filter and sort2");
        assertThat(fold).hasAttribute("aria-expanded", "false");
        fold.click();
        assertThat(violations(page)).isEmpty();
        page.locator(".menu").filter(new Locator.FilterOptions().setHasText("Health")).locator("summary").click();
        page.locator(".menu[open] input").first().click();
        assertThat(fold).not().hasText("Filter and sort2");
        assertThat(fold).hasAttribute("aria-expanded", "true");
        assertThat(page.locator(".menu").first()).isVisible();
        fold.click();
        assertThat(page.locator(".menu").first()).isHidden();
    }

    @Test
    void onAPhoneABoxThatOpensLiesWithinThePage() {
        Page page = phone();
        page.navigate(address("/trees"));
        page.locator("[data-fold]").click();
        for (String field : List.of("Health", "Variety", "Planted")) {
            Locator menu = page.locator(".menu").filter(new Locator.FilterOptions().setHasText(field));
            menu.locator("summary").click();
            BoundingBox box = menu.locator("fieldset").boundingBox();
            assertThat(box.x).as(field).isNotNegative();
            assertThat(box.x + box.width).as(field).isLessThanOrEqualTo(390);
            menu.locator("summary").click();
        }
    }

    @Test
    void anAnswerThatDoesNotComeIsSaidAndTheRowsStay() {
        Page page = desktop();
        page.navigate(address("/trees"));
        page.route("**/listings/trees/rows*", route -> route.abort());
        link(page, "Page 2").click();
        assertThat(page.locator(".notices")).containsText("The answer did not come");
        waitForCount(page, "1 to 25 of 960");
        forgiveConsole("ERR_FAILED");
        forgiveConsole("fetch");
    }

    private static Locator search(Page page) {
        return page.locator(".bar-search input");
    }

    /** At most 150 KB over the wire, fonts and pictures included; Chromium's own count, headers and all. */
    @ParameterizedTest
    @ValueSource(strings = {"/varieties", "/trees"})
    void aFirstVisitIsSmall(String path) {
        Page page = desktop();
        CDPSession network = page.context().newCDPSession(page);
        AtomicLong bytes = new AtomicLong();
        network.on("Network.loadingFinished", event -> bytes.addAndGet(event.get("encodedDataLength").getAsLong()));
        network.send("Network.enable");
        page.navigate(address(path));
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(bytes.get()).isBetween(50 * 1024L, 150 * 1024L);
    }
}
