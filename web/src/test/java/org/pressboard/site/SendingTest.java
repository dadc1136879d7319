package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.pressboard.mail.Outbox;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Forms of the demo as people send them. */
class SendingTest extends InBrowser {

    @Autowired
    private Outbox outbox;

    @Autowired
    private JdbcTemplate database;

    @Test
    void aMemberSignsUpOnceForADayAndGetsALetter() {
        Page page = signedIn("pavel@example.org");
        page.navigate(address("/work-days"));
        assertThat(violations(page)).isEmpty();
        button(page, "Send").click();
        assertThat(page.locator(".control-problem").first()).containsText("Please fill this in");
        assertThat(page.locator("[role=alert]").first()).containsText("Nothing was sent yet");
        page.locator("[name='v.work_day']").fill("Grease bands");
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("You are on the list");
        assertThat(outbox.latest(null, 20)).anySatisfy(posted -> {
            assertThat(posted.letter().to()).isEqualTo("pavel@example.org");
            assertThat(posted.letter().subject()).isEqualTo("Your place: Grease bands");
        });
        page.locator("[name='v.work_day']").fill("Grease bands");
        button(page, "Send").click();
        assertThat(page.locator("[role=alert]").first()).containsText("You have sent this already");
        assertThat(page.locator("[name='v.work_day']")).hasValue("Grease bands");
        page.locator("[name='v.work_day']").fill("Winter pruning, mill side");
        button(page, "Send").click();
        assertThat(page.locator("[role=alert]").first()).containsText("no place left");
        opensAbout(page, "Grease bands", "Sign up: sent already", "You have sent this already");
        opensAbout(page, "Winter pruning, mill side", "Sign up: no place left", "There is no place left");
        page.locator("[name='v.work_day']").fill("Wassail");
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("You are on the list");
    }

    /** What will not be taken is said at the row and before anybody sends it; another day can still be chosen. */
    private static void opensAbout(Page page, String day, String saidAtRow, String said) {
        String site = page.url().replaceAll("(https?://[^/]+)/.*", "$1");
        page.navigate(site + "/work-days");
        Locator row = page.locator("tr", new Page.LocatorOptions().setHasText(day));
        assertThat(row.locator(".changes")).hasText(saidAtRow);
        row.click();
        assertThat(page.locator(".opened-change")).hasText(saidAtRow);
        page.navigate(site + "/work-days/send/sign-up?v.work_day=" + day.replace(" ", "%20"));
        assertThat(page.locator("[name='v.work_day']")).hasValue(day);
        assertThat(page.locator("[role=alert]").first()).containsText(said);
    }

    @Test
    void aPledgeIsMadeFromATreesPageAndTheHighestMoves() {
        Page page = signedIn("wanjiru@example.org");
        page.navigate(address("/adopt/T-012"));
        link(page, "Pledge for a tree").click();
        assertThat(page.locator("[name='v.tree']")).hasValue("T-012");
        String suggested = database.queryForObject("select suggested_pledge from hosted.trees where tree = 'T-012'", String.class);
        assertThat(page.getByLabel("Amount")).hasValue(suggested);
        page.getByLabel("Amount").fill("a lot");
        button(page, "Send").click();
        assertThat(page.locator(".control-problem").first()).containsText("a lot");
        page.getByLabel("Amount").fill("321");
        button(page, "Send").click();
        assertThat(page).hasURL(Pattern.compile(".*/adopt/T-012\\?sent=pledge"));
        assertThat(page.locator(".opened-lines")).containsText("£321.00");
        assertThat(database.queryForObject("select m.name from hosted.pledges p join hosted.members m on m.row_id = p.member "
                + "where p.amount = 321", String.class)).isEqualTo("Wanjiru Kamau");
    }

    @Test
    void itWorksWithoutScriptsAndTellsWhoIsNotSignedIn() {
        Page page = withoutScripts();
        page.navigate(address("/adopt"));
        assertThat(page.locator(".sending")).containsText("Sign in to send this.");
        page.locator(".sending").getByRole(AriaRole.LINK).click();
        signIn(page, "odile@example.org");
        assertThat(page).hasURL(address("/adopt/send/pledge"));
        page.locator("[name='v.tree']").fill("T-039");
        page.getByLabel("Amount").fill("44");
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("It has arrived");
    }

    @Test
    void whatIsForgedIsNotTaken() {
        Page page = signedIn("bashir@example.org");
        page.navigate(address("/adopt/send/pledge"));
        page.evaluate("""
                () => {
                  const form = document.querySelector('form.fill');
                  const add = (name, value) => form.insertAdjacentHTML('beforeend', `<input type=hidden name="${name}" value="${value}">`);
                  add('was.member', ''); add('v.member', '1'); add('was.made_on', ''); add('v.made_on', '2001-01-01');
                }""");
        page.locator("[name='v.tree']").fill("T-057");
        page.getByLabel("Amount").fill("123.45");
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("It has arrived");
        assertThat(database.queryForObject("select m.name || ' ' || (p.made_on = current_date) from hosted.pledges p "
                + "join hosted.members m on m.row_id = p.member where p.amount = 123.45", String.class))
                .isEqualTo("Bashir Nasser true");
    }

    @Test
    void whatIsNeededCannotBeLeftOutByNotSendingIt() {
        Page page = signedIn("bashir@example.org");
        page.navigate(address("/work-days"));
        page.evaluate("() => document.querySelectorAll('[name$=\".work_day\"]').forEach(input => input.remove())");
        button(page, "Send").click();
        assertThat(page.locator(".control-problem").first()).containsText("Please fill this in");
        assertThat(page.locator("[name='v.work_day']")).isVisible();
    }

    @Test
    void programsAreHeldOffAndPeopleLoseNothing() {
        Page page = signedIn("fergus@example.org");
        page.navigate(address("/adopt/send/pledge"));
        page.evaluate("() => { document.querySelector('[name=website]').value = 'http://spam.example'; }");
        page.locator("[name='v.tree']").fill("T-183");
        page.getByLabel("Amount").fill("77.01");
        button(page, "Send").click();
        assertThat(page.locator("[role=alert]").first()).containsText("as if a program had sent it");
        assertThat(page.getByLabel("Amount")).hasValue("77.01");
        page.evaluate("() => { document.querySelector('[name=begun]').value = 'forged'; }");
        button(page, "Send").click();
        assertThat(page.locator("[role=alert]").first()).containsText("open for very long");
        button(page, "Send").click();
        assertThat(page.locator(".note-good")).containsText("It has arrived");
    }

    @Test
    void nothingIsSentWithoutItsToken() {
        HttpResponse<String> answer = send(HttpRequest.newBuilder(URI.create(address("/adopt/send/pledge")))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("v.tree=T-012&was.tree=&v.amount=1&was.amount=")).build());
        assertThat(answer.statusCode()).isIn(302, 403);
        assertThat(get("/adopt/send/nothing").statusCode()).isEqualTo(404);
        assertThat(get("/nowhere/send/pledge").statusCode()).isEqualTo(404);
    }

    @Test
    void stewardsLetThroughWhatPickersAdd() {
        Page picker = signedIn("tomas@example.org");
        picker.navigate(address("/my-pickings"));
        link(picker, "Add a row").click();
        Locator slip = picker.locator("dialog.row-slip");
        slip.locator("[name='v.tree']").fill("T-014");
        slip.getByLabel("Day").fill("2026-11-20");
        slip.getByLabel("Kilograms").fill("3.25");
        assertThat(slip.getByLabel("Approved")).hasCount(0);
        button(picker, "Add").click();
        assertThat(picker.locator(".note-good")).containsText("Added");
        Page steward = signedIn("ingrid@example.org");
        steward.navigate(address("/my-pickings?q=T-014"));
        steward.locator("tr", new Page.LocatorOptions().setHasText("20 Nov 2026"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Change")).click();
        steward.locator("dialog.row-slip").getByLabel("Approved").selectOption("yes");
        button(steward, "Save").click();
        assertThat(steward.locator(".note-good")).containsText("Changed");
        Long row = database.queryForObject("select row_id from hosted.pickings where kilograms = 3.25 and approved",
                Long.class);
        picker.navigate(address("/listings/my-pickings/rows/" + row + "/change"));
        assertThat(picker.locator("[role=alert]")).containsText("You cannot change this row");
        // the desk's queue has no such row any more, and what waits there goes by keys
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables/pickings/waiting"));
        assertThat(owner.locator(".queue tr:focus")).hasCount(1);
        String before = owner.locator("main form > .soft").first().innerText();
        Locator rows = owner.locator(".queue tbody tr");
        String third = String.valueOf(rows.nth(2).getAttribute("data-row"));
        // skipping the first, and deciding the second
        owner.keyboard().press("ArrowDown");
        owner.keyboard().press("y");
        assertThat(owner.locator(".note-good")).containsText("Approved.");
        assertThat(owner.locator("main form > .soft").first()).not().hasText(before);
        assertThat(owner.locator(".queue tr:focus")).hasAttribute("data-row", third);
        button(owner, "Undo").click();
        assertThat(owner.locator(".note-good")).isVisible();
        // several at once
        for (int i = 0; i < 2; i++) {
            rows.nth(i).locator("[name=row]").check();
        }
        button(owner, "Reject the ticked").click();
        assertThat(owner.locator(".note-good")).containsText("2 rows rejected. They can be put back.");
        assertThat(violations(owner)).isEmpty();
        button(owner, "Undo").click();
        assertThat(owner.locator("main form > .soft").first()).hasText(before);
        // whoever sent it sees that it waits
        picker.navigate(address("/my-pickings"));
        assertThat(picker.locator(".tag", new Page.LocatorOptions().setHasText("waiting for approval")).first()).isVisible();
    }

    @Test
    void whoseRowIsRejectedReadsWhyUntilTheyPutItAway() {
        Page picker = signedIn("tomas@example.org");
        picker.navigate(address("/my-pickings"));
        link(picker, "Add a row").click();
        Locator slip = picker.locator("dialog.row-slip");
        slip.locator("[name='v.tree']").fill("T-016");
        slip.getByLabel("Day").fill("2026-11-21");
        slip.getByLabel("Kilograms").fill("7.75");
        button(picker, "Add").click();
        assertThat(picker.locator(".note-good")).containsText("Added");
        Long row = database.queryForObject("select row_id from hosted.pickings where kilograms = 7.75", Long.class);
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables/pickings/waiting?page=1000"));
        owner.locator(".queue [name=row][value='" + row + "']").check();
        owner.locator("[name=words]").fill("The scales were broken.");
        button(owner, "Reject the ticked").click();
        assertThat(owner.locator(".note-good")).containsText("Rejected.");
        picker.navigate(address("/my-pickings"));
        assertThat(picker.locator("main > .note-warn")).containsText("“T-016”, which you sent, was not approved. The scales were broken.");
        assertThat(violations(picker)).isEmpty();
        button(picker, "Dismiss").click();
        assertThat(picker.locator("h1")).hasText("My pickings");
        assertThat(picker.locator("main > .note-warn")).hasCount(0);
    }

    @Test
    void pagesAreForThoseWhoGetThere() {
        assertThat(get("/repairs").statusCode()).isEqualTo(404);
        assertThat(get("/listings/repairs/rows").statusCode()).isEqualTo(404);
        assertThat(get("/my-pickings").headers().firstValue("Location").orElse("")).endsWith("/sign-in?to=%2Fmy-pickings");
        Page picker = signedIn("mira@example.org");
        picker.navigate(address("/repairs"));
        assertThat(picker.locator("h1")).hasText("Not here");
        forgiveConsole("404");
        assertThat(picker.locator(".tabs")).not().containsText("Tool repairs");
        Page steward = signedIn("ingrid@example.org");
        steward.navigate(address("/repairs"));
        assertThat(steward.locator("h1")).hasText("Tool repairs");
        link(steward, "Add a row").click();
        assertThat(steward.getByLabel("What is wrong")).isVisible();
    }
}
