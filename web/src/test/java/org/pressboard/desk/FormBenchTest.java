package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import org.pressboard.site.InBrowser;

/** A form made and changed at the desk, the proof beside it, and sent by somebody who is not signed in. */
class FormBenchTest extends InBrowser {

    @Test
    void anOwnerMakesAFormAndAnybodySendsIt() {
        Page page = signedIn("owner@example.org");
        waitForApproval(page, "+");
        page.navigate(address("/desk/forms"));
        assertThat(violations(page)).isEmpty();
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).fill("What was it like?");
        page.getByLabel("Saves to").selectOption("tastings");
        button(page, "Add a form").click();
        waitForScripts(page);
        FrameLocator proof = page.locator("iframe").first().contentFrame();
        assertThat(proof.locator(".sending")).containsText("Remark");
        assertThat(page.locator("#ticket")).containsText("nobody");
        assertThat(violations(page)).isEmpty();

        // less is asked, one thing under another name and heading, and only of those who score
        open(page, "ask");
        page.getByLabel("Taster out").click();
        assertThat(page.locator("#ticket")).containsText("4 questions");
        page.getByLabel("Day out").click();
        assertThat(page.locator("#ticket")).containsText("3 questions");
        open(page, "ask-remark");
        page.locator("#ask-label-remark").fill("In your words");
        page.locator("#ask-label-remark").press("Enter");
        assertThat(proof.locator(".sending")).containsText("In your words");
        open(page, "ask-variety");
        page.locator("#ask-part-variety").fill("The apple");
        page.locator("#ask-part-variety").press("Enter");
        assertThat(proof.locator("legend")).hasText("The apple");

        open(page, "set");
        page.locator("#set-day").selectOption("today");
        page.locator("form:has(#set-day) button").click();
        assertThat(page.locator("#ticket")).containsText("Day: today");

        open(page, "bounds");
        page.locator("#form-each").fill("none");
        page.locator("#form-each").press("Enter");
        assertThat(page.locator("#ticket [role=alert]")).containsText("is not a number");
        page.locator("#form-each").fill("1");
        page.locator("#form-each").press("Enter");
        assertThat(page.locator("#ticket")).containsText("once each");

        open(page, "waits");
        page.locator("[data-panel=waits]").getByLabel("at once").check();
        assertThat(page.locator("[data-opens=waits]")).hasText("at once");
        button(page, "Undo").click();
        assertThat(page.locator("[data-opens=waits]")).hasText("after approval");

        open(page, "tell-OWNER");
        page.locator("#tell-subject-OWNER").fill("‹Nothing› tasted");
        page.locator("#tell-subject-OWNER").press("Enter");
        assertThat(page.locator("#ticket [role=alert]")).containsText("No field is called “Nothing”");

        // whoever writes a letter, or picks a page, wants that
        page.locator("#tell-subject-OWNER").fill("Tasted");
        page.locator("#tell-subject-OWNER").press("Enter");
        assertThat(page.locator("[data-opens=tell-OWNER]")).hasText("“Tasted”");
        button(page, "Undo").click();
        assertThat(page.locator("[data-opens=tell-OWNER]")).hasText("nothing");
        open(page, "then");
        page.locator("#form-page").selectOption("varieties");
        assertThat(page.locator("[data-opens=then]")).containsText("/varieties");
        page.locator("[data-panel=then]").getByLabel("these words").check();
        assertThat(page.locator("[data-opens=then]")).hasText("a word of thanks");
        button(page, "Undo").click();
        assertThat(page.locator("[data-opens=then]")).containsText("/varieties");
        button(page, "Undo").click();
        assertThat(page.locator("[data-opens=then]")).hasText("a word of thanks");

        // taken back, each step by its words
        button(page, "Undo").click();
        assertThat(page.locator("#ticket")).containsText("as often as they like");
        button(page, "Redo").click();
        assertThat(page.locator("#ticket")).containsText("once each");
        open(page, "steps");
        assertThat(page.locator(".steps")).containsText("“What was it like?” has other limits");

        page.navigate(address("/desk/pages/what-was-it-like"));
        button(page, "Publish").click();
        grantEveryone(page);
        Page anybody = desktop();
        anybody.navigate(address("/what-was-it-like"));
        assertThat(violations(anybody)).isEmpty();
        anybody.getByLabel("Variety").fill("Hollin Codlin");
        anybody.getByLabel("Score").selectOption("4");
        anybody.getByLabel("In your words").fill("<script>alert(1)</script>");
        button(anybody, "Send").click();
        assertThat(anybody.locator(".note-good")).containsText("others see it after that");
        assertThat(anybody.locator(".sending")).containsText("You have sent this already");
        Page another = desktop();
        another.navigate(address("/what-was-it-like"));
        assertThat(button(another, "Send")).isVisible();

        page.navigate(address("/desk/forms/what-was-it-like/what-was-it-like"));
        button(page, "Remove the form from its page").click();
        assertThat(page.locator("tbody")).not().containsText("What was it like?");
        waitForApproval(page, "");
    }

    /** Whether new tastings wait to be let through. */
    private void waitForApproval(Page page, String by) {
        page.navigate(address("/desk/tables/tastings/access"));
        waitForScripts(page);
        page.locator("#grants-approval").selectOption(by);
        assertThat(page.locator(".wait-panel a")).hasCount(by.isEmpty() ? 0 : 1);
    }

    private void grantEveryone(Page page) {
        page.navigate(address("/desk/tables/tastings/access"));
        waitForScripts(page);
        page.locator("[data-opens=everyone-add]").click();
        page.locator("[data-panel=everyone-add]").getByLabel("all rows").check();
        assertThat(page.locator("[data-opens=everyone-add]")).hasText("all");
    }

    private static void open(Page page, String word) {
        page.locator("[data-opens=" + word + "]").click();
        assertThat(page.locator("[data-panel=" + word + "]").isVisible()).isTrue();
    }
}
