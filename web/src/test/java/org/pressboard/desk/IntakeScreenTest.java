package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.site.InBrowser;

/** The owner brings in files and publishes what comes of them. */
class IntakeScreenTest extends InBrowser {

    @Test
    void fromAFileToAPublicPageInFourActions() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, "seed_swap.csv", "Seed,Kind,Price\nRunner bean,Bean,1.50\nÉpinard,Leaf,\nbroad bean,Bean,12.25\n"
                + "Chard,Leaf,2\n"); // 1
        button(page, "Bring in").click(); // 2
        page.waitForURL(Pattern.compile(".*/desk/pages/seed-swap.*"));
        assertThat(page.locator("main")).containsText("4 rows of seed_swap.csv are in.");
        assertThat(get("/seed-swap").statusCode()).isEqualTo(404);
        page.getByLabel("Everyone").check(); // 3
        button(page, "Publish").click(); // 4
        assertThat(page.locator(".note-good")).containsText("Edition 1 is published at /seed-swap. Everyone sees the rows of Seed swap.");
        Page visitor = desktop();
        visitor.navigate(address("/seed-swap"));
        assertThat(column(visitor, 0)).containsExactly("broad bean", "Chard", "Épinard", "Runner bean");
        assertThat(column(visitor, 2)).containsExactly("12.25", "2", "–", "1.50");
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void publishedButGrantedToNobodyIsStillNotPublishedAndSaysWhy() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, "quiet.csv", "name,use\na,b\n");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/quiet.*"));
        assertThat(page.locator(".openness input:checked")).hasCount(0);
        button(page, "Publish").click();
        assertThat(page.locator(".openness input:invalid").first()).isAttached();
        assertThat(page.locator(".panel-publish")).containsText("Visitors see “not published” at /quiet");
        page.getByLabel("Nobody yet").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good")).containsText("Edition 1 is published at /quiet. Only staff see the rows "
                + "of Quiet. Everybody but staff gets “not published” until you let somebody see the rows.");
        assertThat(page.locator(".panel-publish .note-warn")).containsText("Only staff can see the rows of Quiet");
        assertThat(get("/quiet").body()).contains("not published");
        page.navigate(address("/quiet"));
        assertThat(page.locator(".note-staff")).containsText("because you are staff");
        link(page, "Set who can see them").click();
        page.locator("[name='see.quiet'][value=MEMBERS]").check();
        button(page, "Publish again").click();
        assertThat(get("/quiet").statusCode()).isEqualTo(404);
        Page member = signedIn("mira@example.org");
        member.navigate(address("/quiet"));
        assertThat(column(member, 0)).containsExactly("a");
        button(page, "Take off the site").click();
        member.navigate(address("/quiet"));
        assertThat(member.locator("main")).containsText("not published");
        forgiveConsole("404");
    }

    @Test
    void whatDoesNotFitIsShownKeptAsideAndCanBeDownloaded() throws IOException {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, "planting.csv", "Tree;Planted;Weight\n" + "A;2024-03-09;1,5\n".repeat(40)
                + "B;blah;2,5\nC;2024-03-10;heavy\nD;2024-03-11\n");
        assertThat(page.locator(".intake-sum")).containsText("1 line has more or fewer values than there are columns");
        Locator planted = page.locator(".intake-table th").nth(1);
        assertThat(planted).containsText("1 of 42 do not fit");
        assertThat(planted).containsText("line 42 “blah”");
        page.getByLabel("Type of Planted").selectOption("TEXT");
        assertThat(planted).containsText("42 values, all fit");
        page.getByLabel("Type of Planted").selectOption("DATE_YEAR_FIRST");
        assertThat(planted).containsText("1 of 42 do not fit");
        assertThat(violations(page)).isEmpty();
        page.getByLabel("Name of the table").fill("Planting days");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/planting-days.*"));
        assertThat(page.locator(".note-good")).containsText("3 did not fit");
        Download download = page.waitForDownload(() -> link(page, "kept aside for you").click());
        assertThat(Files.readString(download.path())).isEqualTo("Line,Why it was kept aside,Tree,Planted,Weight\r\n"
                + "42,Planted: “blah” is not a date like 2024-03-09.,B,blah,\"2,5\"\r\n"
                + "43,\"Weight: “heavy” is not a number like 1.234,5.\",C,2024-03-10,heavy\r\n"
                + "44,The line has 2 values; the file has 3 columns.,D,2024-03-11\r\n");
    }

    @Test
    void datesThatTheFileLeavesOpenAreAsked() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, "open.csv", "what,when\na,3/9/2024\nb,1/2/2000\n");
        assertThat(page.locator(".intake-table th").nth(1)).containsText("can be read two ways");
        button(page, "Bring in").click();
        assertThat(page.locator(".note-warn").first()).hasText("Say how “when” is to be read; the file leaves it open.");
        button(page, "Bring in").hover();
        page.mouse().down();
        page.getByLabel("Type of when").selectOption("DATE_DAY_FIRST");
        assertThat(page.locator(".note-warn")).hasCount(0);
        page.mouse().up(); // where the button was before the answer came
        page.waitForURL(Pattern.compile(".*/desk/pages/open.*"));
        assertThat(column(page, 1)).containsExactly("3 Sept 2024", "1 Feb 2000");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "empty.csv|''|The file is empty.",
        "nul.csv|'a,b\n1,\0'|NUL character on line 2", "picture.csv|'%PDF-1.4'|This is a PDF"})
    void whatIsNoTableIsSaidAtThePlace(String name, String text, String sentence) {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, name, text);
        assertThat(page.getByText(sentence).first()).isVisible();
        assertThat(page.locator("input[type=file]")).isAttached();
        forgiveConsole("422");
    }

    @Test
    void fieldsLeftOutStayOutAndNamesAreAsked() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, "some.csv", "keep,secret\na,x\n");
        page.getByLabel("Include secret").uncheck();
        assertThat(page.locator(".intake-table th").nth(1)).containsText("left out");
        page.getByLabel("Name of the field for keep").fill("Kept");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/some.*"));
        assertThat(page.locator(".table th")).hasText(new String[] {"Kept"});
    }

    @Test
    void aRemovedTableWaitsInTheBinAndItsPageWithIt() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, "mistake.csv", "a,b\n1,2\n");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/mistake.*"));
        page.getByLabel("Everyone").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good").last()).containsText("Edition 1");
        page.navigate(address("/desk/tables/mistake/access"));
        page.getByText("Remove this table").click();
        button(page, "Remove Mistake").click();
        assertThat(page.locator(".note-warn")).containsText("Nothing was removed");
        page.getByText("Remove this table").click();
        page.locator("[name=typed]").fill("Mistake");
        button(page, "Remove Mistake").click();
        assertThat(page.locator(".note-good")).containsText("“Mistake” has been removed");
        assertThat(get("/mistake").statusCode()).isEqualTo(404);
        page.navigate(address("/desk/pages/mistake"));
        assertThat(page.locator("h1")).hasText("Mistake");
        page.navigate(address("/desk/tables"));
        page.getByText("Bin: 1").click();
        button(page, "Put back: Mistake").click();
        assertThat(page.locator(".count-text")).hasText("1 to 1 of 1");
        assertThat(get("/mistake").statusCode()).isEqualTo(200);
    }

    @Test
    void theLanguageOfThePagesFollowsTheSettings() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/settings"));
        page.getByLabel("Language of the pages").selectOption("de");
        button(page, "Save").click();
        try {
            Page visitor = desktop();
            visitor.navigate(address("/trees?sort=-height_m"));
            assertThat(visitor.locator(".count-text")).hasText("1 bis 25 von 960");
            assertThat(column(visitor, 6)).allMatch(height -> height.matches("\\d,\\d"));
            assertThat(visitor.locator("html")).hasAttribute("lang", "de");
        } finally {
            // the desk speaks it too
            page.navigate(address("/desk/settings"));
            page.getByLabel("Sprache der Seiten").selectOption("en-GB");
            button(page, "Speichern").click();
            assertThat(page.locator(".note-good")).isVisible();
        }
    }

    @Test
    void settingsSayWhatTheyCannotBe() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/settings"));
        assertThat(page.locator("main")).containsText("You first signed in at http://localhost:");
        page.getByLabel("Public address").fill("https://orchard.example/site");
        button(page, "Save").click();
        assertThat(page.locator(".note-warn")).containsText("begins with http:// or https://");
        page.getByLabel("Public address").fill("https://orchard.example/");
        button(page, "Save").click();
        assertThat(page.locator(".note-good")).isVisible();
        assertThat(get("/trees").body()).contains("<link rel=\"canonical\" href=\"https://orchard.example/trees\">");
        page.getByLabel("Public address").fill("");
        button(page, "Save").click();
        assertThat(get("/trees").body()).doesNotContain("canonical");
        page.evaluate("() => document.querySelector('select option').value = 'xx'");
        page.evaluate("() => document.querySelector('select').selectedIndex = 0");
        button(page, "Save").click();
        assertThat(page.locator(".note-warn")).hasText("Choose one of the languages.");
    }

    private static void choose(Page page, String name, String text) {
        page.locator("input[type=file]").setInputFiles(new FilePayload(name, "text/csv", text.getBytes(UTF_8)));
        page.waitForCondition(() -> !page.url().endsWith("/desk/tables")
                || List.of(page.locator(".drop .note-warn").isVisible()).contains(true));
    }
}
