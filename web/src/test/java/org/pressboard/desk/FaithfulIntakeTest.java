package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.Charset;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.pressboard.site.InBrowser;

/** What an owner is told of a file, and what they can say of it. */
class FaithfulIntakeTest extends InBrowser {

    @Test
    void whatANumberWouldLoseIsSaidAndNotDone() {
        Page page = bring("shelfs.csv", "Who,Shelf\nMira,+491511\nTomas,+491512\n");
        Locator shelf = page.locator(".intake-table th").nth(1);
        assertThat(page.getByLabel("Type of Shelf")).hasValue("TEXT");
        assertThat(shelf).containsText("2 values, all fit");
        assertThat(shelf).containsText("As “Whole number” not all would stay the same: “+491511” would become "
                + "491511.");
        page.getByLabel("Type of Shelf").selectOption("WHOLE");
        assertThat(shelf).containsText("2 of 2 would not stay the same, such as “+491511”, which becomes "
                + "491511");
        assertThat(shelf).not().containsText("all fit");
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void theOwnerSaysHowTheFileIsWrittenAndTheRowsFollow() {
        Page page = bring("said.csv", "Report of Monday\nName:Price\nM\u00FCller:5\nx:6\n".getBytes(Charset.forName("IBM850")));
        page.getByLabel("Name of the table").fill("Said so");
        page.getByLabel("Name of the table").blur();
        page.getByLabel("Lines to leave out on top").fill("1");
        page.getByLabel("Lines to leave out on top").blur();
        assertThat(page.locator(".intake-sum")).containsText("1 line above the headings is left out");
        page.getByLabel("Separated by").selectOption(":");
        assertThat(page.locator(".intake-sum")).containsText("2 rows, 2 columns");
        page.getByLabel("Encoding").selectOption("IBM850");
        assertThat(page.locator(".intake-table td").first()).hasText("M\u00FCller");
        page.getByLabel("The next line has").selectOption("no");
        assertThat(page.locator(".intake-sum")).containsText("3 rows, 2 columns");
        assertThat(page.locator(".intake-take").first()).hasText("Column 1");
        assertThat(page.getByLabel("Name of the table")).hasValue("Said so");
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void fiveHundredColumnsGoIn() {
        String header = IntStream.rangeClosed(1, 500).mapToObj(i -> "c" + i).collect(Collectors.joining(","));
        String row = IntStream.rangeClosed(1, 500).mapToObj(Integer::toString).collect(Collectors.joining(","));
        Page page = bring("wide.csv", header + "\n" + row + "\n" + row + "\n");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/wide.*"));
        assertThat(page.locator(".note-good")).containsText("2 rows of wide.csv are in.");
        assertThat(page.locator("main")).containsText("shows 8 of 500 fields");
    }

    @Test
    void aFileThatWaitsIsFoundAgainAndWhatWasSaidOfItHolds() {
        Page page = bring("we\"ird.csv", "waits,b\n1,x\n2,y\n");
        assertThat(page.locator(".lead")).hasText("we\"ird.csv");
        page.getByLabel("Name of the table").fill("Waiting for me");
        page.waitForResponse(Pattern.compile(".*/look"), () -> page.getByLabel("Name of the table").blur());
        page.waitForResponse(Pattern.compile(".*/look"),
                () -> page.getByLabel("Type of waits").selectOption("TEXT"));
        page.navigate(address("/desk/tables"));
        link(page, "we\"ird.csv").click();
        assertThat(page.getByLabel("Name of the table")).hasValue("Waiting for me");
        assertThat(page.getByLabel("Type of waits")).hasValue("TEXT");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/waiting-for-me.*"));
        page.navigate(address("/desk/tables"));
        choose(page, "again.csv", "waits,b\n1,x\n2,y\n".getBytes(UTF_8));
        assertThat(page.locator(".note-warn")).containsText("The very same content is in the table Waiting for me already");
        assertThat(page.locator(".note-warn")).containsText("makes a second table with its rows".replace("its", "2"));
        page.navigate(address("/desk/tables"));
        page.getByLabel("Discard again.csv").click();
        assertThat(page.locator("main")).not().containsText("again.csv");
    }

    @Test
    void fieldsNotShownAreNamedAndCanBeShown() {
        String header = IntStream.rangeClosed(1, 10).mapToObj(i -> "f" + i).collect(Collectors.joining(","));
        Page page = bring("many fields.csv", header + "\n" + "a,b,c,d,e,f,g,h,secret,yes\n".repeat(4));
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/many-fields.*"));
        assertThat(page.locator("main")).containsText("shows 8 of 10 fields; not shown, and neither searched nor "
                + "filtered by: f9, f10.");
        link(page, "The ticket of Many fields").click();
        page.locator("[data-opens=fields]").click();
        button(page, "+ f9").click();
        assertThat(page.locator("[data-opens=fields]")).hasText("9 fields");
        page.navigate(address("/desk/pages/many-fields"));
        assertThat(page.locator("main")).containsText("shows 9 of 10 fields");
        assertThat(page.locator(".table th").last()).hasText("f9");
    }

    @Test
    void aFileOfHeadingsAloneBecomesATableToBeFilled() {
        Page page = bring("barrows.csv", "Barrow,Weight,Owner\n");
        assertThat(page.locator("main")).containsText("no rows yet, 3 columns");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/barrows.*"));
        page.navigate(address("/desk/tables/barrows/rows/new"));
        page.locator("#c-barrow").fill("B-1");
        page.locator("#c-weight").fill("12");
        button(page, "Add").click();
        assertThat(column(page, 1)).containsExactly("B-1");
    }

    @Test
    void namesAndAddressesChangeAndNothingBreaks() {
        Page page = bring("rename me.csv", "Old name,b\nx,1\ny,2\n");
        button(page, "Bring in").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/rename-me.*"));
        page.getByLabel("Everyone").check();
        button(page, "Publish").click();
        page.getByText("Title, intro, address, menu").click();
        page.getByLabel("Title").fill("A better title");
        page.getByLabel("Address").fill("trees");
        button(page, "Save").click();
        assertThat(page.locator(".note-warn")).hasText("Another page is at /trees already, or is in the bin and was there. Nothing was changed.");
        page.getByText("Title, intro, address, menu").click();
        page.getByLabel("Title").fill("A better title");
        page.getByLabel("Address").fill("better");
        button(page, "Save").click();
        page.waitForURL(Pattern.compile(".*/desk/pages/better"));
        assertThat(page.locator("h1")).hasText("A better title");
        Page visitor = desktop();
        visitor.navigate(address("/rename-me"));
        assertThat(visitor).hasURL(address("/better"));
        assertThat(visitor.locator("h1")).hasText("Rename me");
        page.navigate(address("/desk/tables/rename_me/fields"));
        page.locator("aside [name=label]").fill("Renamed");
        page.locator("aside .panel.form .button").click();
        assertThat(page.locator("h1")).hasText("Renamed");
        page.navigate(address("/desk/tables/rename_me/fields/old_name"));
        page.locator(".slip [name=label]").fill("New name");
        button(page, "Save").last().click();
        assertThat(page.locator(".note-good")).containsText("New name is saved");
        visitor.navigate(address("/better?sort=-old_name"));
        assertThat(visitor.locator(".table th").first()).hasText("New name");
        assertThat(column(visitor, 0)).isEqualTo(List.of("y", "x"));
    }

    private Page bring(String name, String text) {
        return bring(name, text.getBytes(UTF_8));
    }

    private Page bring(String name, byte[] bytes) {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk"));
        choose(page, name, bytes);
        return page;
    }

    private static void choose(Page page, String name, byte[] bytes) {
        page.locator("input[type=file]").setInputFiles(new FilePayload(name, "text/csv", bytes));
        page.waitForURL(Pattern.compile(".*/desk/intake/.*"));
    }
}
