package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** No screen has anything that axe finds fault with, light or dark. */
class AccessibilityTest extends InBrowser {

    @ParameterizedTest
    @EnumSource(names = {"LIGHT", "DARK"})
    void visitorsPages(ColorScheme scheme) {
        Page page = page(new Browser.NewContextOptions().setViewportSize(1280, 800).setColorScheme(scheme));
        for (String path : new String[] {"/varieties?size=10", "/trees?q=ash&f.health=Good&sort=-planted&size=10", "/trees?q=zzzz",
            "/trees?page=x&sort=nosuch", "/work-days", "/sign-in", "/sign-in?failed", "/no-such-page"}) {
            page.navigate(address(path));
            assertThat(violations(page)).as(path).isEmpty();
        }
        page.navigate(address("/varieties?size=10"));
        page.locator("summary").first().click();
        assertThat(violations(page)).as("an open menu").isEmpty();
        forgiveConsole("404");
    }

    @ParameterizedTest
    @EnumSource(names = {"LIGHT", "DARK"})
    void onAPhone(ColorScheme scheme) {
        Page page = page(new Browser.NewContextOptions().setViewportSize(390, 844).setColorScheme(scheme));
        page.navigate(address("/trees?q=ash&f.health=Good&size=10"));
        assertThat(violations(page)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(names = {"LIGHT", "DARK"})
    void theDesk(ColorScheme scheme) {
        Page page = signedIn("owner@example.org");
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
        for (String path : new String[] {"/desk/tables", "/desk/tables/trees?size=10", "/desk/tables/trees/fields",
            "/desk/tables/trees/history", "/desk/tables/trees/access", "/desk/tables/trees/rows/14",
            "/desk/tables/trees/fields/picked", "/desk/tables/trees/fields/health", "/desk/pages", "/desk/pages/trees",
            "/desk/settings", "/desk/members", "/desk/members/groups/stewards", "/desk/pages/trees/trees", "/desk/editions/trees", "/desk/proof/trees"}) {
            page.navigate(address(path));
            assertThat(violations(page)).as(path).isEmpty();
        }
    }
}
