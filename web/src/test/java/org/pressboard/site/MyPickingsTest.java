package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Two pickers, a steward and somebody who is not signed in, side by side through the whole of My pickings. */
class MyPickingsTest extends InBrowser {

    private static final String SPAN = "/my-pickings?f.day.from=2026-11-23&f.day.to=2026-11-24";

    @Test
    void eachHasTheirOwnStewardsHaveAllAndNobodyElseAny() {
        Page mira = at(signedIn("mira@example.org"));
        Page tomas = at(signedIn("tomas@example.org"));
        Page steward = at(signedIn("ingrid@example.org"));
        Page nobody = desktop();

        nothingIsAddedEmpty(mira);
        add(mira, "T-014", "2026-11-23", "4.5", "first");
        add(mira, "T-021", "2026-11-24", "2.2", "cider");
        add(tomas, "T-014", "2026-11-24", "10", "second");
        assertRows(mira, "6.7", "T-021", "T-014");
        assertRows(tomas, "10", "T-014");
        assertRows(steward, "16.7", "T-014", "T-021", "T-014");
        assertThat(values(steward, "Picker")).containsExactlyInAnyOrder("Mira Holloway", "Mira Holloway", "Tomas Veit");
        nobodyGetsThere(nobody);

        String ofMira = row(mira, "T-014").locator("[data-value]").first().getAttribute("data-value").replaceFirst("/value/.*", "");
        tomasCannot(tomas, ofMira);
        inPlaceAndBack(mira);
        letThrough(steward);
        isLetThrough(mira, ofMira);
        removedAndBack(mira);

        stewardRemovesAll(steward);
        for (Page each : new Page[] {mira, tomas, steward}) {
            at(each);
            assertThat(each.locator(".table tbody tr")).hasCount(0);
        }
        forgiveConsole("404");
    }

    private Page at(Page page) {
        page.navigate(address(SPAN));
        waitForScripts(page);
        return page;
    }

    /** What cannot be left empty says so at its place, and has its calendar still. */
    private void nothingIsAddedEmpty(Page page) {
        at(page);
        link(page, "Add a row").click();
        button(page, "Add").click();
        Locator slip = page.locator("dialog.row-slip");
        assertThat(slip.locator(".control-problem")).hasText(new String[] {"Please fill this in.", "Please fill this in.", "Please fill this in."});
        assertThat(slip.getByLabel("Day")).hasAttribute("type", "date");
    }

    private void add(Page page, String tree, String day, String kilograms, String grade) {
        at(page);
        link(page, "Add a row").click();
        Locator slip = page.locator("dialog.row-slip");
        slip.locator("[name='v.tree']").fill(tree);
        slip.getByLabel("Day").fill(day);
        slip.getByLabel("Kilograms").fill(kilograms);
        slip.getByLabel("Grade").selectOption(grade);
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).containsText("Added");
    }

    private void assertRows(Page page, String kilograms, String... trees) {
        at(page);
        assertThat(page.locator(".count-totals")).containsText("Kilograms: " + kilograms + " kg");
        assertThat(values(page, "Tree")).extracting(tree -> tree.replace("waiting for approval ", "")).containsExactlyInAnyOrder(trees);
        assertThat(page.request().get(address("/listings/my-pickings/rows.csv" + SPAN.substring(SPAN.indexOf('?')))).text().lines())
                .hasSize(trees.length + 1);
    }

    /** Of a field, from the top; where nothing is done with a row, the table has a column less. */
    private static List<String> values(Page page, String label) {
        return page.locator(".table td[data-label='" + label + "']").allInnerTexts().stream()
                .map(text -> text.replace('\u00a0', ' ').strip()).toList();
    }

    private static Locator row(Page page, String tree) {
        return page.locator(".table tbody tr", new Page.LocatorOptions().setHasText(tree)).first();
    }

    /** Neither the page, nor its place in the menu, nor its rows; signed in, they are on the page they asked for. */
    private void nobodyGetsThere(Page nobody) {
        nobody.navigate(address("/varieties"));
        assertThat(nobody.locator(".tabs")).not().containsText("My pickings");
        assertThat(nobody.request().get(address("/listings/my-pickings/rows.csv")).status()).isEqualTo(404);
        nobody.navigate(address(SPAN));
        assertThat(nobody).hasURL(Pattern.compile(".*/sign-in\\?to=.*"));
        signIn(nobody, "pavel@example.org");
        assertThat(nobody).hasURL(address(SPAN));
        assertThat(nobody.locator(".table tbody tr")).hasCount(0);
        button(nobody, "Sign out").click();
        nobody.navigate(address(SPAN));
        assertThat(nobody).hasURL(Pattern.compile(".*/sign-in\\?to=.*"));
    }

    private void tomasCannot(Page tomas, String ofMira) {
        for (String way : new String[] {"/change", "/remove", "/value/kilograms"}) {
            assertThat(tomas.request().get(address(ofMira + way)).status()).as(way).isEqualTo(404);
        }
        assertThat(tomas.request().get(address("/my-pickings?q=T-021&f.day.from=2026-11-23")).text()).doesNotContain("2.2");
    }

    private void inPlaceAndBack(Page mira) {
        at(mira);
        row(mira, "T-014").locator("[data-value$='/value/kilograms']").click();
        Locator input = mira.locator(".value-form [name='v.kilograms']");
        input.fill("5.5");
        input.press("Enter");
        assertThat(mira.locator(".notices")).containsText("Changed.");
        assertThat(mira.locator(".count-totals")).containsText("7.7 kg");
        button(mira, "Undo").click();
        assertThat(mira.locator(".note-good")).containsText("Undone");
        assertRows(mira, "6.7", "T-021", "T-014");
    }

    /** What has been let through is the steward's to change. */
    private void letThrough(Page steward) {
        at(steward);
        row(steward, "Mira Holloway").getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Change")).waitFor();
        steward.locator(".table tbody tr", new Page.LocatorOptions().setHasText("23 Nov 2026"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Change")).click();
        steward.locator("dialog.row-slip").getByLabel("Approved").selectOption("yes");
        button(steward, "Save").click();
        assertThat(steward.locator(".note-good")).containsText("Changed");
    }

    private void isLetThrough(Page mira, String row) {
        at(mira);
        assertThat(values(mira, "Approved")).containsExactly("No", "Yes");
        assertThat(mira.locator(".table .pick input")).hasCount(1);
        assertThat(values(mira, "Kilograms")).containsExactly("2.2 kg", "4.5 kg");
        mira.navigate(address(row + "/change"));
        assertThat(mira.locator("[role=alert]")).containsText("You cannot change this row");
    }

    private void removedAndBack(Page mira) {
        at(mira);
        row(mira, "T-021").getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Change")).click();
        link(mira, "Remove").click();
        button(mira, "Remove").click();
        assertThat(mira.locator(".note-good")).containsText("Removed");
        assertThat(values(mira, "Tree")).singleElement().asString().endsWith("T-014");
        button(mira, "Undo").click();
        assertThat(mira.locator(".note-good")).containsText("Undone");
        assertRows(mira, "6.7", "T-021", "T-014");
    }

    private void stewardRemovesAll(Page steward) {
        at(steward);
        steward.locator("tbody .pick input").all().forEach(Locator::check);
        button(steward, "With the ticked rows …").click();
        assertThat(steward.locator("h1")).hasText("3 rows ticked");
        button(steward, "Remove them").click();
        assertThat(steward.locator(".note-good")).containsText("Removed.");
    }
}
