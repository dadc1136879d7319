package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.springframework.beans.factory.annotation.Autowired;

/** A proof writes nothing; where the owner says so, they do as a member on the page what the member may, and it counts. */
class StandInTest extends InBrowser {

    @Autowired
    private Accounts accounts;

    private static final String SPAN = "/my-pickings?f.day.from=2026-11-25&f.day.to=2026-11-25";

    @Test
    void fromTheProofToThePageAsAMember() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/seen/mira@example.org/adopt/T-012"));
        assertThat(link(owner, "Pledge for a tree")).hasAttribute("href", "#nothing-changes-in-a-proof");
        owner.navigate(address("/desk/pages/my-pickings/my-pickings"));
        waitForScripts(owner);
        Locator way = button(owner, "Act as them");
        assertThat(way).isHidden();
        owner.locator("#seen-by").selectOption("?");
        owner.locator("#seen-member").fill("hollow");
        owner.keyboard().press("Enter");
        assertThat(violations(owner)).isEmpty();
        Page page = owner.context().waitForPage(way::click);
        assertThat(page.locator(".stand-in")).containsText("You see the site as Mira Holloway, with “My pickings” as drafted.");
        assertThat(violations(page)).isEmpty();

        page.navigate(address(SPAN));
        waitForScripts(page);
        link(page, "Add a row").click();
        page.locator("dialog.row-slip [name='v.tree']").fill("T-014");
        page.locator("dialog.row-slip").getByLabel("Day").fill("2026-11-25");
        page.locator("dialog.row-slip").getByLabel("Kilograms").fill("1.5");
        button(page, "Add").click();
        assertThat(page.locator("main .note-good")).containsText("Added");
        // it is hers, as she sees it, and the desk is still the owner's
        Page mira = signedIn("mira@example.org");
        mira.navigate(address(SPAN));
        assertThat(mira.locator(".table tbody tr")).hasCount(1);
        mira.navigate(address("/desk/stand-in"));
        assertThat(mira.locator("main")).not().containsText("Log");
        owner.navigate(address("/desk/tables/pickings/history"));
        assertThat(owner.locator(".act-line").first()).containsText("Elspeth Muir");
        owner.navigate(address("/desk/log"));
        assertThat(owner.locator("main")).containsText("went to the pages as a member");

        button(page, "Undo").click();
        assertThat(page.locator("main .note-good")).containsText("Undone");
        button(page, "Stop").click();
        page.navigate(address(SPAN));
        assertThat(page.locator(".stand-in")).hasCount(0);
        assertThat(page.locator(".table tbody tr")).hasCount(0);
        forgiveConsole("403");
    }

    /** A member who works at the desk, too, is themselves alone, also once they came to while somebody stood in. */
    @Test
    void nobodyStandsInForStaff() {
        Page owner = signedIn("owner@example.org");
        long mira = accounts.find("mira@example.org").orElseThrow().id();
        assertThat(stoodIn(owner)).containsText("You see the site as Mira Holloway");
        accounts.changeRole(mira, Account.Role.EDITOR);
        try {
            owner.navigate(address(SPAN));
            assertThat(owner.locator(".stand-in")).hasCount(0);
            assertThat(stoodIn(owner)).containsText("You can do things as members only, not as other staff.");
        } finally {
            accounts.changeRole(mira, Account.Role.MEMBER);
        }
    }

    private Locator stoodIn(Page owner) {
        owner.navigate(address("/desk/pages/my-pickings/my-pickings"));
        waitForScripts(owner);
        owner.locator("#seen-by").selectOption("?");
        owner.locator("#seen-member").fill("hollow");
        owner.keyboard().press("Enter");
        return owner.context().waitForPage(button(owner, "Act as them")::click).locator("body");
    }
}
