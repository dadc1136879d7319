package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.SelectOption;
import com.microsoft.playwright.options.WaitUntilState;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** An owner says on the ticket what people shall see, and watches it happen on the proof. */
class BenchTest extends AtBench {

    @Test
    void fieldsAreCalledOtherwiseHiddenAddedAndMovedWhereTheyStand() {
        Page page = bench();
        open(page, "fields");
        page.locator("#label-year").fill("Picked in");
        page.keyboard().press("Enter");
        assertThat(heading(page, "Picked in")).isVisible();
        page.getByLabel("Hide State").click();
        assertThat(heading(page, "State")).hasCount(0);
        says(page, "fields", "3 fields");
        page.locator("#find-field").fill("sta");
        button(page, "+ State").click();
        assertThat(proof(page).locator("th").last()).containsText("State");
        page.getByLabel("Move State: Space to lift it, arrows to move it").press(" ");
        page.keyboard().press("ArrowUp");
        page.keyboard().press("ArrowUp");
        page.keyboard().press(" ");
        assertThat(proof(page).locator("th").nth(1)).containsText("State");
        open(page, "look-year");
        page.locator("#look-align-year").selectOption("LEFT");
        assertThat(proof(page).locator("th.to-left")).containsText("Picked in");
        open(page, "look-day");
        page.locator("#look-days-day").selectOption("MONTH");
        assertThat(proof(page).locator("td.when").first()).containsText("March 2024");
        assertThat(violations(page)).isEmpty();
        // what was done is told, and taken back step by step
        page.keyboard().press("Escape");
        page.keyboard().press("Escape");
        open(page, "steps");
        assertThat(page.locator(".steps li")).hasCount(6);
        assertThat(page.locator(".steps li").last()).containsText("Show: Year is called Picked in.");
        assertThat(page.locator(".steps li").nth(4)).containsText("Show: hid State.");
        page.keyboard().press("Escape");
        page.locator("h1").click();
        for (int i = 0; i < 6; i++) {
            page.keyboard().press("Control+z");
        }
        assertThat(heading(page, "Year")).isVisible();
        assertThat(button(page, "Undo")).isDisabled();
        page.keyboard().press("Control+y");
        assertThat(heading(page, "Picked in")).isVisible();
    }

    @Test
    void whatIsKeptIsSaidAsASentence() {
        Page page = bench();
        says(page, "keep", "all of them");
        open(page, "keep");
        page.locator("#keep-new-field").selectOption("state");
        page.locator("#keep-new-is").selectOption("ONE_OF");
        page.locator("#keep-new").getByLabel("Ripe").check();
        page.locator("#keep-new").getByLabel("Eaten").check();
        button(page, "Add").click();
        says(page, "keep", "those where State is Ripe or Eaten");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(4);
        page.locator("#keep-new-field").selectOption("year");
        page.locator("#keep-new-is").selectOption("BETWEEN");
        assertThat(page.locator("#keep-new-value-1")).isVisible();
        page.locator("#keep-new-value-0").fill("2020");
        page.locator("#keep-new-value-1").fill("blah");
        button(page, "Add").click();
        assertThat(page.locator(".ticket .note-warn")).hasText("“blah” is not a value of Year.");
        assertThat(page.locator("#keep-new-value-0")).hasValue("2020");
        assertThat(page.locator("#keep-new-value-1")).hasValue("blah");
        page.locator("#keep-new-value-1").fill("2022");
        button(page, "Add").click();
        says(page, "keep", "those where State is Ripe or Eaten, and Year is between 2020 and 2022");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(2);
        page.locator("#keep-mode").selectOption("ANY");
        says(page, "keep", "those where State is Ripe or Eaten or Year is between 2020 and 2022");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(5);
        page.getByLabel("Remove it").first().click();
        says(page, "keep", "those where Year is between 2020 and 2022");
        page.locator("[id='keep-is-0']").selectOption("AT_LEAST");
        says(page, "keep", "those where Year is at least 2020");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(5);
        page.locator("#keep-new-field").selectOption("day");
        page.locator("#keep-new-is").selectOption(new SelectOption().setLabel("is on or after"));
        assertThat(page.locator("#keep-new-is option[selected]")).hasText("is on or after");
        page.locator("#keep-new-value-0").fill("2024-03-13");
        button(page, "Add").click();
        says(page, "keep", "those where Year is at least 2020 or Day is on or after 13 Mar 2024");
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void theOtherLinesAreChangedAsTheyRead() {
        Page page = bench();
        open(page, "layout");
        page.getByLabel("cards", new Page.GetByLabelOptions().setExact(true)).check();
        assertThat(proof(page).locator(".card")).hasCount(6);
        open(page, "tags");
        page.locator("[data-panel=tags]").getByLabel("State").check();
        assertThat(proof(page).locator(".card-tags").first()).hasText("Ripe");
        says(page, "tags", "as tags State");
        open(page, "search");
        page.locator("[data-panel=search]").getByLabel("Name").uncheck();
        says(page, "search", "in State");
        open(page, "hint");
        page.locator("[data-panel=hint] input[name=hint]").fill("Which state?");
        page.keyboard().press("Enter");
        assertThat(proof(page).locator("input[type=search]").first()).hasAttribute("placeholder", "Which state?");
        open(page, "narrow");
        page.locator("[data-panel=narrow]").getByLabel("Year", new Locator.GetByLabelOptions().setExact(true)).uncheck();
        says(page, "narrow", "by State, Day");
        open(page, "take-away");
        page.locator("[data-panel=take-away]").getByLabel("JSON").uncheck();
        says(page, "take-away", "as CSV, XLSX, PDF, print, copy");
        open(page, "order");
        page.locator("#ticket-sort-0").selectOption("state");
        says(page, "order", "by State");
        page.locator("#ticket-sort-1").selectOption("-year");
        says(page, "order", "by State, then Year, highest first");
        assertThat(proof(page).locator(".card-heading").first()).hasText("Crate 4");
        open(page, "limit");
        page.locator("#ticket-limit").fill("2");
        page.keyboard().press("Tab");
        assertThat(proof(page).locator(".card")).hasCount(2);
        proof(page).getByText("Show all").click();
        assertThat(proof(page).locator(".card")).hasCount(6);
        open(page, "title");
        page.locator("[data-panel=title] input[name=text]").fill("What is in the shed");
        page.keyboard().press("Enter");
        assertThat(proof(page).locator(".sheet-title")).hasText("What is in the shed");
        open(page, "stripes");
        page.getByLabel("stripes of moss").check();
        assertThat(proof(page).locator(".sheet.stripes-moss")).isVisible();
        page.locator("[data-width='390']").click();
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void theSieveSaysHowManyPassEachGateAndWhyARowIsNotThere() {
        changes.change(catalog.table(new org.pressboard.table.TableKey("crates")).orElseThrow()
                .knownBy(NAME, null, null), OWNER);
        Page page = bench();
        assertThat(page.locator(".sieve-bars td.number")).hasText(new String[] {"6", "6", "6", "6", "6"});
        open(page, "keep");
        page.locator("#keep-new-field").selectOption("state");
        page.locator("#keep-new-value-0").selectOption("Ripe");
        button(page, "Add").click();
        assertThat(page.locator(".sieve-bars td.number")).hasText(new String[] {"6", "6", "2", "2", "2"});
        page.locator("#sieve-why").fill("2");
        page.keyboard().press("Enter");
        assertThat(page.locator(".sieve .note")).hasText("2 does not meet the conditions: State is Ripe.");
        page.locator("#sieve-why").fill("1");
        page.keyboard().press("Enter");
        assertThat(page.locator(".sieve .note")).hasText("1 is here, on whatever page of the list.");
        page.locator("#sieve-why").fill("");
        page.keyboard().press("Enter");
        proof(page).locator("input[type=search]").first().fill("zzz");
        assertThat(proof(page).locator(".table tbody tr")).hasCount(0);
        assertThat(page.locator(".sieve .note-warn")).hasText("Search and filters in the proof leave none.");
        page.locator("#seen-by").selectOption("anyone");
        assertThat(page.locator(".sieve .note-warn")).containsText("They cannot see any row of Crates.");
        assertThat(violations(page)).isEmpty();
        link(page, "Set who can see them").click();
        assertThat(page).hasURL(address("/desk/tables/crates/access"));
    }

    @Test
    void aProofThatIsThereBeforeTheScriptsIsFollowedAllTheSame() {
        Page page = bench();
        List<Route> held = new ArrayList<>();
        page.route("**/desk*.js*", held::add);
        page.navigate(address(BENCH), new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
        assertThat(proof(page).locator(".table tbody tr")).hasCount(6);
        page.waitForFunction("() => document.querySelector('iframe').contentDocument.readyState === 'complete'");
        assertThat(page.locator(".sieve-bars")).hasCount(0);
        held.forEach(Route::resume);
        assertThat(page.locator(".sieve-bars td.number").last()).hasText("6");
        proof(page).locator("input[type=search]").first().fill("zzz");
        assertThat(page.locator(".sieve .note-warn")).hasText("Search and filters in the proof leave none.");
    }

    @Test
    void theSieveThatCannotBeCountedNowIsCountedInAMoment() {
        Page page = bench();
        assertThat(page.locator(".sieve-bars td.number").last()).hasText("6");
        page.route("**/sieve?*", route -> route.fulfill(new Route.FulfillOptions().setStatus(503)),
                new Page.RouteOptions().setTimes(2));
        page.locator("#sieve-why").fill("1");
        page.keyboard().press("Enter");
        assertThat(page.locator(".sieve .note")).hasText("1 is here, on whatever page of the list.");
        forgiveConsole("503");
    }

    @Test
    void anotherWhoWorksAtTheSameDraftSeesWhatTheFirstDid() {
        Page first = bench();
        Page second = signedIn("editor@example.org");
        second.navigate(address(BENCH));
        assertThat(proof(second).locator(".table tbody tr")).hasCount(6);
        open(first, "density");
        first.getByLabel("compact rows").check();
        says(second, "density", "compact rows");
        assertThat(proof(second).locator(".sheet.rows-dense")).isVisible();
        open(second, "rules");
        second.getByLabel("lines between rows and columns").check();
        assertThat(proof(first).locator(".sheet.rules-grid.rows-dense")).isVisible();
    }

    @Test
    void whatIsChosenWhileAnswersAreOutstandingIsNotUndoneByThem() {
        Page page = bench();
        open(page, "take-away");
        List<Route> held = new ArrayList<>();
        page.route("**/change", held::add);
        Locator formats = page.locator("[data-panel=take-away]");
        for (String format : List.of("CSV", "XLSX", "JSON")) {
            formats.getByLabel(format).click();
        }
        page.waitForCondition(() -> held.size() == 1);
        held.getFirst().resume();
        page.waitForCondition(() -> held.size() == 2);
        formats.getByLabel("PDF").click();
        page.unroute("**/change");
        held.getLast().resume();
        says(page, "take-away", "as print, copy");
        assertThat(formats.getByLabel("XLSX")).not().isChecked();
    }

    @Test
    void whoSeesTheRowsStaysChosenUntilItIsPublished() {
        Page page = bench();
        Locator everyone = page.locator("#ticket [value=EVERYONE]");
        everyone.check();
        open(page, "density");
        page.getByLabel("compact rows").check();
        says(page, "density", "compact rows");
        assertThat(everyone).isChecked();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good").first()).containsText("published at /crates");
    }

    @Test
    void whoSeesTheProofCanBeChosenWhileItFollows() {
        Page page = bench();
        List<Route> held = new ArrayList<>();
        page.route("**/desk/proof/crates*", route -> {
            if (route.request().resourceType().equals("fetch")) {
                held.add(route);
            } else {
                route.resume();
            }
        });
        open(page, "layout");
        page.getByLabel("cards", new Page.GetByLabelOptions().setExact(true)).check();
        page.waitForCondition(() -> held.size() == 1);
        page.locator("#seen-by").selectOption("anyone");
        assertThat(proof(page).getByText("Sign in")).isVisible();
        Request again = page.waitForRequest(request -> request.resourceType().equals("fetch")
                && request.url().contains("/desk/seen/anyone/crates"), held.getFirst()::resume);
        assertThat(again.response().status()).isEqualTo(200);
    }

    @Test
    void nothingOfADraftIsSeenBeforeItIsPublished() {
        Page page = bench();
        page.navigate(address("/desk/pages/crates"));
        page.getByLabel("Everyone").check();
        button(page, "Publish").click();
        assertThat(page.locator(".note-good")).containsText("Edition 1 is published");
        page.navigate(address(BENCH));
        open(page, "title");
        page.locator("[data-panel=title] input[name=text]").fill("Not yet");
        page.keyboard().press("Enter");
        assertThat(proof(page).locator(".sheet-title")).hasText("Not yet");
        Page visitor = desktop();
        visitor.navigate(address("/crates"));
        assertThat(visitor.locator(".table tbody tr")).hasCount(6);
        assertThat(visitor.locator(".sheet-title")).hasCount(0);
        assertThat(visitor.navigate(address("/desk/proof/crates")).url()).contains("/sign-in");

        // each edition says what changed with it, and an earlier one is put back
        page.navigate(address("/desk/pages/crates"));
        button(page, "Publish again").click();
        assertThat(page.locator(".note-good")).containsText("Edition 2 is published");
        visitor.navigate(address("/crates"));
        assertThat(visitor.locator(".sheet-title")).hasText("Not yet");
        page.navigate(address("/desk/editions/crates"));
        assertThat(page.locator(".acts li").first()).containsText("Looks: title “Not yet”.");
        assertThat(page.locator(".acts li").last()).containsText("The first edition.");
        assertThat(violations(page)).isEmpty();
        button(page, "Put back").click();
        assertThat(page.locator(".note-good")).containsText("Visitors get edition 1 again.");
        visitor.navigate(address("/crates"));
        assertThat(visitor.locator(".sheet-title")).hasCount(0);
        page.navigate(address("/desk/editions/crates/2/look"));
        page.locator("input[type=search]").fill("Crate 4");
        assertThat(page.locator(".table tbody tr")).hasCount(1);
        assertThat(page.locator(".sheet-title")).hasText("Not yet");
        page.navigate(address("/desk/editions/crates"));
        button(page, "Make it the draft").last().click();
        assertThat(page.locator(".note-good")).containsText("The draft is now what edition 1 is.");
        page.navigate(address(BENCH));
        says(page, "title", "no title");
    }

    @Test
    void whatCannotBeKeptIsSaidAndDoesNotStandAsIfItWere() {
        Page page = bench();
        page.route("**/change", Route::abort);
        open(page, "density");
        Locator airy = page.locator("[data-panel=density]").getByLabel("spacious rows");
        airy.click();
        assertThat(page.locator(".trouble")).containsText("could not be reached");
        assertThat(airy).not().isChecked();
        says(page, "density", "normal rows");
        page.unroute("**/change");
        airy.check();
        says(page, "density", "spacious rows");
        assertThat(page.locator(".trouble")).isHidden();

        // signed out in another window
        Page another = page.context().newPage();
        another.navigate(address("/desk/pages"));
        button(another, "Sign out").click();
        another.waitForURL(address("/sign-in?out"));
        assertThat(page.locator(".trouble")).containsText("You are signed out");
        assertThat(page.locator("#ticket")).isVisible();
        forgiveConsole("Failed to load resource");
        forgiveConsole("htmx:error");
    }

    @Test
    void whoseTicketIsGoneIsLedToThePage() {
        Page page = bench();
        page.navigate(address("/desk/pages/crates"));
        page.locator("#listed-table").selectOption("crates");
        button(page, "Add").click();
        page.waitForURL(address("/desk/pages/crates/crates-2"));
        button(page, "Undo").click();
        page.waitForURL(address("/desk/pages/crates?gone"));
        assertThat(page.locator("[role=status]").first()).containsText("not on this page any more");
        forgiveConsole("Failed to load resource");
    }
}
