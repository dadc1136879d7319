package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Single values changed where they stand, buttons that do one thing to a row, and what numbers come to. */
class InPlaceTest extends InBrowser {

    @Autowired
    private JdbcTemplate database;

    private Page repairs() {
        Page page = signedIn("ingrid@example.org");
        page.navigate(address("/repairs?q=Wheelbarrow"));
        waitForScripts(page);
        return page;
    }

    private static Locator value(Page page, String tool, String field) {
        return page.locator("tr", new Page.LocatorOptions().setHasText(tool)).first().locator("[data-value$='/value/"
                + field + "']");
    }

    @Test
    void aValueIsChangedByAClickAndTakenBack() {
        Page page = repairs();
        assertThat(violations(page)).isEmpty();
        String tool = column(page, 0).getFirst();
        value(page, tool, "cost").click();
        Locator input = page.locator(".value-form [name='v.cost']");
        input.fill("a lot");
        input.press("Enter");
        assertThat(page.locator(".value-form .control-problem").first()).containsText("a lot");
        assertThat(page.locator(".value-form [name='v.cost']")).hasValue("a lot");
        page.locator(".value-form [name='v.cost']").fill("12.34");
        page.locator(".value-form [name='v.cost']").press("Enter");
        assertThat(page.locator(".notices")).containsText("Changed.");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText(tool)).first()).containsText("£12.34");
        assertThat(page.locator("[data-value$='/value/cost']").first()).isFocused();

        // what others change meanwhile takes nothing of that away
        String another = column(page, 0).getLast();
        DATABASE.execute("update hosted.tool_repairs set cost = 98.76 where tool = '" + another + "'");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText(another)).last()).containsText("£98.76");
        assertThat(page.locator(".notices")).containsText("Changed.");
        button(page, "Undo").click();
        assertThat(page.locator(".note-good")).containsText("Undone");
        assertThat(page.locator("main")).not().containsText("£12.34");
    }

    @Test
    void whatWasTypedStaysWhereNoAnswerComesOrWhoeverTypedItIsSignedOut() {
        Page page = repairs();
        String tool = column(page, 0).getFirst();
        value(page, tool, "cost").click();
        Locator input = page.locator(".value-form [name='v.cost']");
        page.route("**/value/cost", Route::abort);
        input.fill("21.43");
        input.press("Enter");
        assertThat(page.locator(".value-lost")).containsText("The answer did not come");
        page.unroute("**/value/cost");
        Page another = page.context().newPage();
        another.navigate(address("/repairs"));
        button(another, "Sign out").click();
        another.waitForURL(address("/sign-in?out"));
        input.press("Enter");
        assertThat(page.locator(".value-lost")).containsText("you have been signed out");
        assertThat(input).hasValue("21.43");
        forgiveConsole("Failed to load resource");
    }

    @Test
    void eOpensAValueEscapeGivesItUp() {
        Page page = repairs();
        String before = page.locator("tbody tr").first().innerText();
        page.locator("[data-value]").first().focus();
        page.keyboard().press("e");
        assertThat(page.locator(".value-form")).isVisible();
        page.keyboard().press("Escape");
        assertThat(page.locator(".value-form")).hasCount(0);
        assertThat(page.locator("tbody tr").first().innerText()).isEqualTo(before);
    }

    @Test
    void whoComesSecondSeesBothValues() {
        Page page = repairs();
        String tool = column(page, 0).getFirst();
        Page other = repairs();
        value(page, tool, "cost").click();
        page.locator(".value-form [name='v.cost']").waitFor();
        value(other, tool, "cost").click();
        keep(other, "22.22");
        assertThat(other.locator(".notices")).containsText("Changed.");
        keep(page, "33.33");
        assertThat(page.locator(".value-form")).containsText("Somebody else has put “£22.22” here since.");
        page.locator(".value-form button").last().click();
        assertThat(page.locator(".notices")).containsText("Changed.");
        assertThat(page.locator("tr", new Page.LocatorOptions().setHasText(tool)).first()).containsText("£33.33");
    }

    private static void keep(Page page, String text) {
        page.locator(".value-form [name='v.cost']").fill(text);
        page.locator(".value-form button").last().click();
    }

    @Test
    void aButtonDoesOneThingToARowWhereItIsNotDone() {
        Page page = signedIn("ingrid@example.org");
        page.navigate(address("/repairs?f.state=reported"));
        Locator first = page.locator("tbody tr").first();
        String tool = column(page, 0).getFirst();
        String without = String.valueOf(first.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Done")).getAttribute("href"));
        first.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Done")).click();
        assertThat(page.locator(".note-good")).containsText("Changed.");
        button(page, "Undo").click();
        assertThat(page.locator(".note-good")).containsText("Undone");
        // whoever has no scripts is asked first
        page.navigate(address(without));
        assertThat(page.locator("h1")).hasText("Done: " + tool);
        button(page, "Done").click();
        assertThat(page.locator(".note-good")).containsText("Changed.");
        button(page, "Undo").click();
        page.navigate(address("/repairs?f.state=done"));
        assertThat(page.locator("tbody tr").first().getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Done")))
                .hasCount(0);
    }

    @Test
    void signingUpFromARowTakesItAlong() {
        Page page = signedIn("ingrid@example.org");
        page.navigate(address("/work-days"));
        page.locator("tr", new Page.LocatorOptions().setHasText("Wassail"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Sign up")).click();
        assertThat(page.locator("[name='v.work_day']")).hasValue("Wassail");
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("You are on the list");
    }

    @Test
    void totalsFollowWhatIsNarrowed() {
        Page page = signedIn("pavel@example.org");
        String own = "from hosted.pickings p join hosted.members m on m.row_id = p.picker where m.name = 'Pavel Novotny'";
        LocalDate last = database.queryForObject("select max(p.day) " + own, LocalDate.class);
        page.navigate(address("/my-pickings?f.day.from=" + last.minusDays(60) + "&f.day.to=" + last.minusDays(30)));
        assertThat(page.locator(".count-totals")).containsText("Kilograms:");
        String sum = database.queryForObject("select trim_scale(sum(p.kilograms)) " + own + " and p.day between ? and ?",
                String.class, last.minusDays(60), last.minusDays(30));
        assertThat(page.locator(".count-totals").innerText().replaceAll("[^0-9.]", "")).isEqualTo(sum);
        assertThat(withoutScripts().request().get(address("/listings/my-pickings/rows/totals")).status()).isEqualTo(404);
    }

    @Test
    void severalRowsAreChangedAndRemovedAtOnceAndTakenBack() {
        Page page = signedIn("odile@example.org");
        page.navigate(address("/my-pickings?f.approved=no"));
        assertThat(violations(page)).isEmpty();
        List<String> trees = column(page, 1).subList(0, 2);
        for (int i = 0; i < 2; i++) {
            page.locator("tbody .pick input").nth(i).check();
        }
        button(page, "With the ticked rows …").click();
        assertThat(page.locator("h1")).hasText("2 rows ticked");
        page.locator("select[name=field]").selectOption("grade");
        button(page, "Go on").click();
        page.locator("[name='v.grade']").selectOption("cider");
        button(page, "Save").click();
        assertThat(page.locator(".note-good")).containsText("Changed.");
        assertThat(page).hasURL(address("/my-pickings?f.approved=no"));
        assertThat(column(page, 4).subList(0, 2)).containsExactly("cider", "cider");
        button(page, "Undo").click();
        assertThat(page.locator(".note-good")).containsText("Undone");
        page.navigate(address("/my-pickings?f.approved=no"));
        for (int i = 0; i < 2; i++) {
            page.locator("tbody .pick input").nth(i).check();
        }
        button(page, "With the ticked rows …").click();
        button(page, "Remove them").click();
        assertThat(page.locator(".note-good")).containsText("Removed.");
        button(page, "Undo").click();
        page.navigate(address("/my-pickings?f.approved=no"));
        assertThat(column(page, 1).subList(0, 2)).isEqualTo(trees);
    }

    @Test
    void rowsOfOthersAreNotPickedByTheirNumbers() {
        Long row = database.queryForObject("select p.row_id from hosted.pickings p join hosted.members m on m.row_id = p.picker "
                + "where m.name = 'Tomas Veit' and not p.approved order by 1 limit 1", Long.class);
        Page page = signedIn("wanjiru@example.org");
        page.navigate(address("/listings/my-pickings/rows/several?row=" + row));
        assertThat(page.locator("h1")).hasText("0 rows ticked");
    }
}
