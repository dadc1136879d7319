package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.Frame;
import org.pressboard.edition.PageKey;
import org.pressboard.edition.Part;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.TableKey;

/** An owner says on the page's ticket what the page is made of, and sees it beside. */
class PageBenchTest extends AtBench {

    private static final String PARTS = "/desk/parts/crates";
    private static final PageKey CRATES = new PageKey("crates");

    /** Words of the owner stay where a table goes; without them the page goes with it. */
    @AfterEach
    void removeTheWords() {
        closePages();
        catalog.draft(CRATES).ifPresent(draft -> drafts.change(CRATES, "owner", page -> page.of(List.of(new Part.OfListing(
                Listing.plain(new ListingKey("crates"), new TableKey("crates"), List.of(NAME)), Frame.USUAL)))));
    }

    private Page parts() {
        Page page = bench();
        page.navigate(address("/desk/pages/crates"));
        link(page, "Arrange the page").click();
        page.waitForURL(address(PARTS));
        assertThat(proof(page).locator(".table tbody tr")).hasCount(6);
        return page;
    }

    private static void addText(Page page, String heading, String text) {
        if (page.locator("[data-panel=add-text]").isHidden()) {
            open(page, "add-text");
        }
        page.locator("#add-text-heading").fill(heading);
        page.locator("#add-text-text").fill(text);
        button(page, "Add the text").click();
        assertThat(page.locator(".part-lines .word").filter(new Locator.FilterOptions().setHasText("“" + heading + "”"))).isVisible();
    }

    private static void addRule(Page page, String heading) {
        open(page, "add-rule");
        page.locator("#add-rule-heading").fill(heading);
        button(page, "Add the rule").click();
        assertThat(page.locator(".part-lines > li").last()).containsText("Rule");
    }

    /** The places of what visitors read, from top to bottom. */
    private static List<String> order(Locator content) {
        return content.locator(".page-text, .page-rule, .sheet, .sending").all().stream().map(each -> each.getAttribute("id")).toList();
    }

    private static BoundingBox box(Locator locator) {
        return Objects.requireNonNull(locator.boundingBox());
    }

    @Test
    void aPageIsComposedAndReadAsItIs() {
        Page page = parts();
        addText(page, "Opening hours", "From **nine** to noon.\n\n# When it rains\n\nAsk <b>us</b>.");
        addText(page, "By foot", "Along the river.");
        addRule(page, "All crates");
        assertThat(proof(page).locator(".page-text strong")).hasText("nine");
        // by keys: the rule goes up twice, and is put down there
        Locator handle = page.locator("#line-part-all-crates .handle");
        for (String key : List.of(" ", "ArrowUp", "ArrowUp", "ArrowUp", " ")) {
            handle.press(key);
        }
        assertThat(page.locator(".part-lines > li").first()).containsText("All crates");
        assertThat(proof(page).locator("#part-all-crates + .sheet")).isVisible();
        for (String part : List.of("part-opening-hours", "part-by-foot")) {
            open(page, "width-" + part);
            page.locator("#width-" + part + "-HALF").check();
            says(page, "width-" + part, "half of the width");
        }
        open(page, "say-part-by-foot");
        page.locator("#text-part-by-foot").fill("Along the brook.");
        page.locator("#heading-part-by-foot").click();
        assertThat(proof(page).locator("#part-by-foot")).containsText("Along the brook.");
        assertThat(violations(page)).isEmpty();
        page.locator("[value=EVERYONE]").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good").first()).containsText("published at /crates");

        Page visitor = desktop();
        visitor.navigate(address("/crates"));
        assertThat(order(visitor.locator("#content"))).containsExactly("part-all-crates", "sheet-crates", "part-opening-hours", "part-by-foot");
        assertThat(visitor.locator("#part-opening-hours h2")).hasText("Opening hours");
        assertThat(visitor.locator("#part-opening-hours h3")).hasText("When it rains");
        assertThat(visitor.locator("#part-opening-hours b")).hasCount(0);
        assertThat(box(visitor.locator("#part-by-foot")).x).isGreaterThan(box(visitor.locator("#part-opening-hours")).x + 300);
        assertThat(violations(visitor)).isEmpty();
        visitor.setViewportSize(390, 844);
        assertThat(box(visitor.locator("#part-by-foot")).y).isGreaterThan(box(visitor.locator("#part-opening-hours")).y + 50);
        assertThat((int) visitor.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(390);
        assertThat(get("/crates").body()).contains("Along the brook.", "&lt;b&gt;us");
    }

    @Test
    void aPartIsForSomeAndIsTakenOffAndPutBack() {
        Page page = parts();
        addText(page, "Keys", "Under the third pot.");
        open(page, "who-part-keys");
        page.locator("#who-part-keys-members").check();
        says(page, "who-part-keys", "only for all members");
        page.locator("#seen-by").selectOption("anyone");
        assertThat(proof(page).getByText("Sign in")).isVisible();
        assertThat(proof(page).getByText("Under the third pot.")).hasCount(0);
        page.locator("#seen-by").selectOption("");
        assertThat(proof(page).getByText("Under the third pot.")).isVisible();
        page.getByLabel("Remove Keys from the page").click();
        assertThat(page.locator("#line-part-keys")).hasCount(0);
        assertThat(proof(page).getByText("Under the third pot.")).hasCount(0);
        button(page, "Undo").click();
        assertThat(page.locator("#line-part-keys")).isVisible();
        open(page, "steps");
        assertThat(page.locator(".steps li").first()).containsText("removed the text “Keys”");
        page.locator("[value=EVERYONE]").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good").first()).containsText("published at /crates");
        assertThat(get("/crates").body()).doesNotContain("third pot");
    }

    @Test
    void aPictureStandsOnThePageForThoseWhomItIsFor() throws IOException {
        Page page = parts();
        open(page, "add-picture");
        page.locator("#add-picture-file").setInputFiles(picture("the gate.png"));
        page.locator("#add-picture-words").fill("A wooden gate, half open");
        page.locator("#add-picture-caption").fill("The gate");
        button(page, "Add the picture").click();
        assertThat(page.locator(".part-lines > li").last()).containsText("“The gate”");
        Locator drawn = proof(page).getByAltText("A wooden gate, half open");
        drawn.scrollIntoViewIfNeeded();
        page.waitForCondition(() -> (boolean) drawn.evaluate("image => image.complete && image.naturalWidth === 40"));
        open(page, "say-part-the-gate");
        page.locator("#text-part-the-gate").fill("The old gate");
        page.locator("#heading-part-the-gate").click();
        assertThat(proof(page).locator("figcaption")).hasText("The old gate");
        // what is no picture is refused, and nothing is added
        open(page, "add-picture");
        page.locator("#add-picture-file").setInputFiles(new FilePayload("gate.png", "image/png", "no picture".getBytes(UTF_8)));
        button(page, "Add the picture").click();
        assertThat(page.locator("#ticket [role=alert]")).containsText("gate.png");
        assertThat(page.locator(".part-lines > li")).hasCount(2);
        page.locator("[value=EVERYONE]").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good").first()).containsText("published at /crates");
        assertThat(violations(page)).isEmpty();

        Page visitor = desktop();
        visitor.navigate(address("/crates"));
        String source = visitor.getByAltText("A wooden gate, half open").getAttribute("src");
        assertThat(source).startsWith("/crates/picture/").endsWith("/the%20gate.png");
        assertThat(get(source).statusCode()).isEqualTo(200);
        assertThat(get(source.replaceAll("[0-9a-f]{64}", "0".repeat(64))).statusCode()).isEqualTo(404);
        assertThat(get(source.replace("/crates/", "/trees/")).statusCode()).isEqualTo(404);
        // a part for members is nobody else's, and so is what it shows
        page.navigate(address(PARTS));
        open(page, "who-part-the-gate");
        page.locator("#who-part-the-gate-members").check();
        says(page, "who-part-the-gate", "only for all members");
        button(page, "Publish again").click();
        assertThat(page.locator(".note-good").first()).containsText("Edition 2");
        assertThat(get(source).statusCode()).isEqualTo(404);
        assertThat(get("/crates").body()).doesNotContain("The old gate");
        Page member = signedIn("mira@example.org");
        member.navigate(address("/crates"));
        assertThat(member.getByAltText("A wooden gate, half open")).isVisible();
    }

    @Test
    void aPageOfWordsAloneIsAPageToo() {
        Page page = parts();
        addText(page, "By", "Take the *long* way.");
        // words go with the rows beside them, which nobody sees here
        page.locator("[value=NOBODY]").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good").first()).containsText("published at /crates");
        assertThat(get("/crates").statusCode()).isEqualTo(404);
        page.navigate(address(PARTS));
        page.getByLabel("Remove Crates from the page").click();
        assertThat(page.locator(".part-lines > li")).hasCount(1);
        assertThat(proof(page).locator(".sheet")).hasCount(0);
        button(page, "Publish again").click();
        assertThat(page.locator(".note-good").first()).containsText("Edition 2");
        Page visitor = withoutScripts();
        visitor.navigate(address("/crates"));
        assertThat(visitor.locator("#part-by em")).hasText("long");
        visitor.reload();
        assertThat(visitor.locator("#part-by h2")).hasText("By");
        page.navigate(address("/desk/pages/crates"));
        assertThat(page.locator(".proof #part-by")).isVisible();
        assertThat(page.locator(".proof .note-warn")).hasCount(0);
        // a rule in its place, under its key
        page.navigate(address(PARTS));
        page.getByLabel("Remove By from the page").click();
        assertThat(page.locator("#ticket .note").first()).hasText("Nothing is on this page yet. Add something below.");
        addRule(page, "By");
        open(page, "steps");
        assertThat(page.locator(".steps li").first()).containsText("added the rule “By”");
    }

    /** A list beside a text folds its rows as on a phone, for it has as little room. */
    @Test
    void aListInAThirdOfThePageFolds() {
        Page page = parts();
        addText(page, "Why", "Because.");
        open(page, "width-sheet-crates");
        page.locator("#width-sheet-crates-THIRD").check();
        says(page, "width-sheet-crates", "a third of the width");
        open(page, "width-part-why");
        page.locator("#width-part-why-TWO_THIRDS").check();
        says(page, "width-part-why", "two thirds of the width");
        Locator line = proof(page).locator(".part-line");
        assertThat(line).hasCount(1);
        assertThat(line.locator("thead")).isHidden();
        assertThat(line.locator(".table tbody tr")).hasCount(6);
        proof(page).locator("input[type=search]").first().fill("Crate 2");
        assertThat(line.locator(".table tbody tr")).hasCount(1);
        // a page that is as full as it may be says so
        drafts.change(CRATES, "owner@example.org", draft -> {
            org.pressboard.edition.Page full = draft;
            while (full.parts().size() < 40) {
                full = full.ruled("");
            }
            return full;
        });
        assertThat(page.locator(".part-lines > li")).hasCount(40);
        open(page, "add-rule");
        button(page, "Add the rule").click();
        assertThat(page.locator("#ticket [role=alert]")).hasText("A page has at most 40 parts. Remove one first. Nothing was changed.");
    }
}
