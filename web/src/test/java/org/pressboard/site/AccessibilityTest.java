package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** No screen has anything that axe finds fault with, light or dark. */
class AccessibilityTest extends InBrowser {

    @Test
    void visitorsPages() {
        Page page = desktop();
        for (String path : List.of("/varieties?size=10", "/trees?q=ash&f.health=Good&sort=-planted&size=10", "/trees?q=zzzz",
                "/trees?page=x&sort=nosuch", "/work-days", "/sign-in", "/sign-in?failed", "/no-such-page")) {
            assertNoFaults(page, path);
        }
        page.navigate(address("/varieties?size=10"));
        page.locator("summary").first().click();
        assertThat(violations(page)).as("an open menu").isEmpty();
        forgiveConsole("404");
    }

    @Test
    void onAPhone() {
        assertNoFaults(phone(), "/trees?q=ash&f.health=Good&size=10");
    }

    private static final List<String> DESK = List.of("/desk/tables", "/desk/tables/trees?size=10", "/desk/tables/trees/fields",
            "/desk/tables/trees/history", "/desk/tables/trees/access", "/desk/tables/trees/rows/14",
            "/desk/tables/trees/fields/picked", "/desk/tables/trees/fields/health", "/desk/pages", "/desk/pages/trees",
            "/desk/settings", "/desk/members", "/desk/members/staff", "/desk/members/groups/stewards", "/desk/pages/trees/trees",
            "/desk/editions/trees", "/desk/proof/trees");

    @Test
    void theDesk() {
        Page page = signedIn("owner@example.org");
        for (String path : DESK) {
            assertNoFaults(page, path);
        }
    }

    @Test
    void theDeskFitsOnAPhone() {
        Page page = signedIn("owner@example.org");
        page.setViewportSize(390, 844);
        for (String path : Stream.concat(DESK.stream(), Stream.of("/desk/tables/trees/rows/several?row=14&row=15", "/desk/forms",
                "/desk/forms/work-days/sign-up", "/desk/tables/pickings/waiting", "/desk/log", "/desk/log/letters",
                "/desk/tables/trees/fields/new")).toList()) {
            page.navigate(address(path));
            assertThat(page.evaluate("""
                    () => [...document.querySelectorAll('body *')].filter(each => document.scrollingElement.scrollWidth > innerWidth
                        && each.getBoundingClientRect().right > innerWidth + 1).map(each => each.outerHTML.slice(0, 120)).slice(0, 5)""",
                    null)).as(path).isEqualTo(List.of());
        }
    }

    @Test
    void whatIsWrongIsFoundInFramesToo() {
        Page page = desktop();
        page.setContent("<!DOCTYPE html><html lang=en><title>A</title><main><h1>A</h1><iframe title=in srcdoc=\"<!DOCTYPE html>"
                + "<html lang=en><title>B</title><main><h1>B</h1><input><p style='color:#bbb;background:#fff'>pale</main>\"></iframe>"
                + "<p style='color:#000;background:#fff'>clear</main></html>");
        page.frameLocator("iframe").getByText("pale").waitFor();
        assertThat(violations(page)).hasSize(2).anyMatch(found -> found.startsWith("color-contrast: <p "))
                .anyMatch(found -> found.startsWith("label: <input"));
        assertThat(Axe.violationsOfColour(page)).hasSize(1);
    }

    private void assertNoFaults(Page page, String path) {
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
        page.navigate(address(path));
        assertThat(violations(page)).as(path).isEmpty();
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
        assertThat(Axe.violationsOfColour(page)).as(() -> path + " in the dark").isEmpty();
    }
}
