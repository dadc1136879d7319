package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;

/** What an owner does most takes few actions: each click, choice or text typed is one. */
class ActionsTest extends AtBench {

    private int actions;

    /** One action of the owner's. */
    private void act(Runnable action) {
        actions++;
        action.run();
    }

    @Test
    void aLabelIsChangedAndSeenInTwo() {
        Page page = bench();
        act(() -> open(page, "fields"));
        act(() -> {
            page.locator("#label-year").fill("Picked in");
            page.keyboard().press("Enter");
        });
        assertThat(heading(page, "Picked in")).isVisible();
        assertThat(actions).isLessThanOrEqualTo(2);
    }

    @Test
    void fromATableToAPublishedListingInSix() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        makePage(page);
        publish(page);
        assertThat(actions).isLessThanOrEqualTo(6);
        Page visitor = desktop();
        visitor.navigate(address("/crates"));
        assertThat(visitor.locator(".table tbody tr")).hasCount(6);
    }

    @Test
    void aListOfCardsWithFiltersThatOpensItsRowsInTen() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        makePage(page);
        act(() -> open(page, "layout"));
        act(() -> page.getByLabel("cards", new Page.GetByLabelOptions().setExact(true)).check());
        act(() -> open(page, "open"));
        act(() -> page.getByLabel("a page of its own").check());
        assertThat(proof(page).locator(".card a.opens")).hasCount(6);
        publish(page);
        assertThat(actions).isLessThanOrEqualTo(10);
        Page visitor = desktop();
        visitor.navigate(address("/crates"));
        visitor.locator("summary").filter(new Locator.FilterOptions().setHasText("State")).click();
        visitor.getByLabel("Ripe").check();
        assertThat(visitor.locator(".card")).hasCount(2);
        link(visitor, "Crate 1").click();
        assertThat(visitor.locator("h1")).hasText("Crate 1");
    }

    @Test
    void eachSeesOnlyTheirOwnOfATableThatIsThereInSix() {
        FieldKey who = new FieldKey("who");
        TableKey crates = new TableKey("crates");
        changes.addField(crates, new Field(who, "Who", new Referring.Person(new TableKey("members"),
                Referring.OnRemoval.CLEAR)), OWNER);
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages"));
        makePage(page);
        page.navigate(address("/desk/tables"));
        actions = 0;
        act(() -> link(page, "Crates").click());
        act(() -> link(page, "Grants").click());
        act(() -> button(page, "Each sees and changes only their own").click());
        assertThat(page.locator("select[name=value]").first()).hasValue("who");
        assertThat(catalog.table(crates).orElseThrow().owner()).isEqualTo(who);
        assertThat(actions).isLessThanOrEqualTo(6);
    }

    @Test
    void andOfANewOneInTwelve() {
        TableKey notes = new TableKey("bee_notes");
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/tables"));
        act(() -> page.locator(".make-table [name=label]").fill("Bee notes"));
        act(() -> button(page, "Add").click());
        act(() -> page.locator(".add-field [name=kind]").selectOption("PERSON"));
        act(() -> button(page, "Go on").click());
        act(() -> page.locator(".slip [name=label]").fill("Who"));
        act(() -> button(page, "Add").click());
        act(() -> link(page, "Grants").click());
        act(() -> button(page, "Each sees and changes only their own").click());
        assertThat(page.locator("select[name=value]").first()).hasValue("who");
        assertThat(actions).isLessThanOrEqualTo(12);
        publisher.remove(notes);
    }

    @Test
    void whatTwoPeopleGetIsSeenInOne() {
        Page page = bench();
        act(() -> button(page, "Two side by side").click());
        assertThat(page.locator("iframe").nth(1).contentFrame().locator("main")).containsText("They cannot see any row of Crates.");
        assertThat(actions).isEqualTo(1);
    }

    private void makePage(Page page) {
        act(() -> page.locator(".make-table [name=table]").selectOption("crates"));
        act(() -> button(page, "Add").click());
        page.waitForURL(address(BENCH));
        assertThat(proof(page).locator("main")).containsText("Crate 1");
    }

    private void publish(Page page) {
        act(() -> link(page, "Crates").first().click());
        act(() -> page.getByLabel("Everyone").check());
        act(() -> button(page, "Publish").click());
        assertThat(page.locator(".note-good")).containsText("Edition 1 is published at /crates");
    }
}
