package org.pressboard.signin;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.WelcomeLinks;
import org.pressboard.site.InBrowser;
import org.springframework.beans.factory.annotation.Autowired;

class SignInTest extends InBrowser {

    @Autowired
    private WelcomeLinks links;

    @Autowired
    private Accounts accounts;

    @Test
    void whoeverAsksForTheDeskComesBackToItAndLeavesAgain() {
        Page page = desktop();
        page.navigate(address("/desk/pages/trees"));
        assertThat(page).hasURL(address("/sign-in?to=%2Fdesk%2Fpages%2Ftrees"));
        page.getByLabel("E-mail address").fill("OWNER@example.org");
        page.getByLabel("Password").fill("quillbrook");
        button(page, "Sign in").click();
        assertThat(page).hasURL(java.util.regex.Pattern.compile(".*/desk/pages/trees.*"));
        button(page, "Sign out").click();
        assertThat(page.locator(".note")).hasText("You are signed out.");
        page.navigate(address("/desk"));
        assertThat(page).hasURL(address("/sign-in?to=%2Fdesk"));
    }

    @Test
    void membersHaveNoDesk() {
        Page page = signedIn("mira@example.org");
        page.navigate(address("/desk"));
        assertThat(page.locator("h1")).hasText("Not for you");
        forgiveConsole("403");
        page.navigate(address("/trees"));
        assertThat(page.locator(".who")).containsText("Mira Holloway");
        assertThat(get("/trees").body()).contains("Sign in").doesNotContain("Sign out");
    }

    @Test
    void guessingIsSlowedDown() {
        Page page = desktop();
        for (int i = 0; i < 10; i++) {
            trySignIn(page, "guessed@example.org", "wrong");
            assertThat(page.locator(".note")).hasText("The e-mail address or the password is wrong.");
        }
        trySignIn(page, "guessed@example.org", "wrong");
        assertThat(page.locator(".note")).containsText("Too many attempts");
        trySignIn(page, "tomas@example.org", "quillbrook");
        assertThat(page.locator(".who")).containsText("Tomas Veit");
    }

    private void trySignIn(Page page, String email, String password) {
        page.navigate(address("/sign-in"));
        page.getByLabel("E-mail address").fill(email);
        page.getByLabel("Password").fill(password);
        button(page, "Sign in").click();
    }

    @Test
    void aWelcomeLinkMakesAnOwnerOnce() {
        String link = address("/welcome?token=" + links.renew());
        Page page = desktop();
        page.navigate(link);
        page.getByLabel("Your name").fill("Rosalind Thackeray");
        page.getByLabel("E-mail address").fill("rosalind@example.org");
        page.getByLabel("A password of at least 10 characters").fill("correct horse");
        button(page, "Become the owner").click();
        // signed in by that, and asked what the site is called
        assertThat(page).hasURL(address("/desk/settings?first"));
        assertThat(page.locator("[name=name]")).hasValue("");
        assertThat(page.locator(".who")).containsText("Rosalind Thackeray");
        assertThat(accounts.find("rosalind@example.org").orElseThrow().role().name()).isEqualTo("OWNER");
        page.navigate(link);
        assertThat(page.locator(".note")).containsText("does not work any more");
    }
}
