package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import javax.imageio.ImageIO;
import java.io.IOException;
import java.io.ByteArrayOutputStream;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;

/** The real interface in headless Chromium. A test fails on any error in the console or on the page. */
public abstract class InBrowser extends RunningSite {

    private static final Playwright PLAYWRIGHT = Playwright.create(new Playwright.CreateOptions()
            .setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    private static final Browser BROWSER = PLAYWRIGHT.chromium().launch(new BrowserType.LaunchOptions()
            .setExecutablePath(executable()).setHeadless(true)
            .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
                    "--disable-background-networking", "--disable-component-update", "--disable-sync")));
    private static final double LONGEST_MILLIS = 20_000;

    static {
        PlaywrightAssertions.setDefaultAssertionTimeout(LONGEST_MILLIS);
    }

    private final List<BrowserContext> contexts = new ArrayList<>();
    private final List<String> errors = new ArrayList<>();

    /** The one without a window of its own takes half the time. */
    private static Path executable() {
        Path quick = Path.of("/usr/bin/chromium-headless-shell");
        return Files.isExecutable(quick) ? quick : Path.of("/usr/bin/chromium");
    }

    protected Page desktop() {
        return page(new Browser.NewContextOptions().setViewportSize(1280, 800));
    }

    protected Page phone() {
        return page(new Browser.NewContextOptions().setViewportSize(390, 844).setHasTouch(true).setIsMobile(true));
    }

    protected Page withoutScripts() {
        return page(new Browser.NewContextOptions().setViewportSize(1280, 800).setJavaScriptEnabled(false));
    }

    protected Page page(Browser.NewContextOptions options) {
        BrowserContext context = BROWSER.newContext(options);
        context.setDefaultTimeout(LONGEST_MILLIS);
        contexts.add(context);
        Page page = context.newPage();
        page.onConsoleMessage(message -> {
            if (message.type().equals("error")) {
                errors.add(message.text() + " at " + message.location());
            }
        });
        page.onPageError(errors::add);
        return page;
    }

    /** What a test does on purpose, such as asking for what is not there, the console may mention. */
    protected void forgiveConsole(String part) {
        errors.removeIf(error -> error.contains(part));
    }

    /** For tests that take away what pages that are open still ask for. */
    protected void closePages() {
        contexts.forEach(BrowserContext::close);
        contexts.clear();
    }

    @AfterEach
    void nothingInTheConsole() {
        closePages();
        assertThat(errors).isEmpty();
    }

    protected Page signedIn(String email) {
        Page page = desktop();
        page.navigate(address("/sign-in"));
        signIn(page, email);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign out")).waitFor();
        return page;
    }

    /** Where the sign-in is open. */
    protected static void signIn(Page page, String email) {
        page.getByLabel("E-mail address").fill(email);
        page.getByLabel("Password").fill("quillbrook");
        button(page, "Sign in").click();
    }

    /** A small picture under that name. */
    protected static FilePayload picture(String name) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", out);
        return new FilePayload(name, "image/png", out.toByteArray());
    }

    /** What is clicked or typed follows only once the page's scripts have begun, a moment after it is loaded. */
    protected static void waitForScripts(Page page) {
        page.locator("[data-htmx-powered]").first()
                .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
    }

    protected static Locator button(Page page, String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    protected static Locator link(Page page, String name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** The texts of a column of the table shown, by its number from 0. */
    protected static List<String> column(Page page, int number) {
        return page.locator(".table tbody tr td:nth-child(" + (number + 1) + ")").allInnerTexts().stream()
                .map(text -> text.replaceAll("\\s+", " ").strip()).toList();
    }

    protected static void waitForCount(Page page, String text) {
        try {
            page.locator(".count-text").getByText(text, new Locator.GetByTextOptions().setExact(true)).waitFor();
        } catch (TimeoutError late) {
            throw new AssertionError(text + " is not among " + page.locator(".count-text").allInnerTexts() + " at "
                    + page.url(), late);
        }
    }

    /** Violations of WCAG 2.2 AA and of best practice that axe finds. */
    protected static List<String> violations(Page page) {
        return Axe.violations(page);
    }
}
