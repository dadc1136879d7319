package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.site.WithTables;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;

/** What a page offers and nobody may do is told where it is offered, and allowed there. */
class UngrantedTest extends WithTables {

    private static final TableKey BASKETS = new TableKey("baskets");
    private static final FieldKey NAME = new FieldKey("name");

    @BeforeEach
    void makeATable() {
        changes.make("Baskets", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(BASKETS);
    }

    @Test
    void aFormOnAPageOfItsOwnIsShownAtTheDeskAndOpenedToEveryoneThere() {
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/forms"));
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).fill("Lend a basket");
        page.getByLabel("Saves to").selectOption("baskets");
        button(page, "Add a form").click();
        waitForScripts(page);
        assertThat(page.locator("#ticket .note-warn").first()).containsText(
                "Nobody can send “Lend a basket” yet: only staff can add rows to Baskets.");
        page.navigate(address("/desk/pages/lend-a-basket"));
        assertThat(page.locator(".proof")).not().containsText("in the bin");
        assertThat(page.locator(".proof .sending h2")).hasText("Lend a basket");
        assertThat(link(page, "The ticket of Lend a basket")).isVisible();
        assertThat(page.locator(".note-warn").first()).containsText("Nobody can send “Lend a basket” yet");
        assertThat(violations(page)).isEmpty();
        button(page, "Publish").click();
        assertThat(get("/lend-a-basket").body()).doesNotContain("<button class=\"button button-main\">Send");
        button(page, "can from now on").click();
        assertThat(page.locator(".note-good")).containsText("They can add rows to Baskets now.");
        assertThat(page.locator("main")).not().containsText("Nobody can send");
        Page anybody = desktop();
        anybody.navigate(address("/lend-a-basket"));
        anybody.getByLabel("Name").fill("Willow");
        button(anybody, "Send").click();
        assertThat(anybody.locator(".note-good")).isVisible();
    }

    @Test
    void aTicketThatLetsPeopleChangeWhatNobodyMayOffersToAllowIt() {
        publish(new PageKey("baskets"), "Baskets", Listing.plain(new ListingKey("baskets"), BASKETS, List.of(NAME))
                .with(Changing.NOTHING.with(false, true, false)), BASKETS);
        Page page = signedIn("owner@example.org");
        page.navigate(address("/desk/pages/baskets/baskets"));
        waitForScripts(page);
        assertThat(page.locator("#ticket .note-warn")).containsText("only staff can do that yet");
        page.locator("#ticket select[name=whom]").selectOption("members");
        button(page, "can from now on").click();
        assertThat(page.locator("#ticket .note-good")).hasText("They can change the rows of Baskets that they see now.");
        assertThat(page.locator("#ticket .note-warn")).hasCount(0);
        assertThat(catalog.grants(BASKETS).find(Audience.MEMBERS, Verb.CHANGE)).isPresent();
    }
}
