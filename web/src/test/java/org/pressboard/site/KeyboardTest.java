package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Keyboard;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** A visitor finds, sorts, opens and pages without a mouse. */
class KeyboardTest extends InBrowser {

    private static final int MOST_KEYS = 100;

    private static void tabTo(Page page, Locator wanted) {
        for (int i = 0; i < MOST_KEYS && !wanted.evaluate("it => it === document.activeElement").equals(true); i++) {
            page.keyboard().press("Tab");
        }
        assertThat(wanted).isFocused();
    }

    @Test
    void aWholePageByKeysAlone() {
        Page page = desktop();
        page.navigate(address("/trees"));
        waitForScripts(page);
        Keyboard keys = page.keyboard();
        keys.press("/");
        keys.type("hollin");
        assertThat(page.locator(".chip").first()).containsText("hollin");
        keys.press("Control+a");
        keys.press("Delete");
        waitForCount(page, "1 to 25 of 960");
        tabTo(page, page.locator("summary").filter(new Locator.FilterOptions().setHasText("Health")));
        keys.press("Enter");
        tabTo(page, page.locator(".menu[open]").getByLabel("Poor"));
        keys.press("Space");
        waitForCount(page, "1 to 25 of 56 found, 960 in all");
        keys.press("Escape");
        assertThat(page.locator(".menu[open]")).hasCount(0);
        tabTo(page, page.locator("th a").filter(new Locator.FilterOptions().setHasText("Planted")));
        keys.press("Enter");
        assertThat(page.locator("th[aria-sort=ascending]")).containsText("Planted");
        tabTo(page, page.locator("tbody a.opens").first());
        keys.press("Enter");
        assertThat(page.locator(".opened-lines").first()).isVisible();
        tabTo(page, page.locator(".pager a[rel=next]"));
        keys.press("Enter");
        waitForCount(page, "26 to 50 of 56 found, 960 in all");
        tabTo(page, page.locator(".chip").first());
        keys.press("Enter");
        waitForCount(page, "1 to 25 of 960");
    }
}
