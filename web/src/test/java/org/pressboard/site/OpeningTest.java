package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Opening;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.Shown;
import org.pressboard.listing.SortBy;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Rules;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** A visitor opens rows from a list, in every way an owner may choose. */
class OpeningTest extends WithTables {

    private static final TableKey SHEDS = new TableKey("sheds");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey PLOT = new FieldKey("plot");
    private static final FieldKey NOTES = new FieldKey("notes");
    private static final FieldKey HIDDEN = new FieldKey("hidden");
    private static final PageKey PAGE = new PageKey("sheds");

    @BeforeEach
    void makeTheTable() {
        changes.make("Sheds", new Fields(List.of(
                new Field(NAME, "Name", new Textual.Text()).with(Rules.NONE.requiring(true).differing(true)),
                new Field(PLOT, "Plot", new Numeric.WholeNumber(true)), new Field(NOTES, "Notes", new Textual.LongText()),
                new Field(HIDDEN, "Hidden", new Textual.Text()))), OWNER);
        changes.change(catalog.table(SHEDS).orElseThrow().knownBy(NAME, NAME, null), OWNER);
        List<String> names = List.of("North/South", "Ash & Elm", "50% off; a ~", "Quill", "Rook", "Old ‘shed’", "Ämter", "Z");
        for (int i = 0; i < 24; i++) {
            editing.add(SHEDS, Map.of(NAME, Value.of(i < names.size() ? names.get(i) : "Shed " + i), PLOT,
                    Value.of((long) i), NOTES, Value.of("Word ".repeat(300) + i), HIDDEN, Value.of("secret " + i)), OWNER);
        }
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(SHEDS);
    }

    private void publish(Opening opening) {
        Listing listing = Listing.plain(new ListingKey("sheds"), SHEDS, List.of(NAME, PLOT))
                .with(Ordering.by(List.of(SortBy.up(PLOT))).paged(10)).with(opening);
        publish(PAGE, "Sheds", listing, SHEDS);
    }

    private static Opening on(Opening.How how, FieldKey... fields) {
        return Opening.NONE.by(how).showing(List.of(fields).stream().map(Shown::usual).toList());
    }

    @Test
    void aPageOfItsOwnWhateverItsKeyLooksLike() {
        publish(on(Opening.How.PAGE, PLOT, NOTES));
        Page page = desktop();
        for (String name : List.of("North/South", "Ash & Elm", "50% off; a ~", "Old ‘shed’", "Ämter")) {
            page.navigate(address("/sheds"));
            link(page, name).click();
            assertThat(page.locator("h1")).hasText(name);
            assertThat(page.locator(".opened-lines")).containsText("Word Word");
            assertThat(page.locator("body")).not().containsText("secret");
        }
        assertThat(violations(page)).isEmpty();
        // the next key typed by hand
        page.navigate(address("/sheds/Quill"));
        assertThat(page.locator("h1")).hasText("Quill");
        assertThat(page.navigate(address("/sheds/Quill2")).status()).isEqualTo(404);
        forgiveConsole("404");
    }

    @Test
    void theWayGoesOnInTheListsOrderAndBackToTheListAsItWas() {
        publish(on(Opening.How.PAGE));
        Page page = desktop();
        page.navigate(address("/sheds?sort=-plot&page=2"));
        link(page, "Shed 13").click();
        assertThat(page.locator("h1")).hasText("Shed 13");
        link(page, "Next").click();
        assertThat(page.locator("h1")).hasText("Shed 12");
        link(page, "Previous").click();
        link(page, "Previous").click();
        // from the first of a page to the last of the page before it
        assertThat(page.locator("h1")).hasText("Shed 14");
        assertThat(page).hasURL(address("/sheds/Shed%2014?sort=-plot"));
        page.locator(".trail a").click();
        assertThat(page).hasURL(address("/sheds?sort=-plot"));
        page.navigate(address("/sheds/Shed%2023?sort=-plot"));
        assertThat(link(page, "Previous")).hasCount(0);
    }

    @Test
    void aSlipLiesOverTheListAndBackClosesIt() {
        publish(on(Opening.How.WIDE_SLIP, PLOT));
        Page page = desktop();
        page.navigate(address("/sheds?page=2"));
        page.locator("tbody tr").nth(3).locator("td").nth(1).click();
        assertThat(page.locator("dialog.row-slip")).isVisible();
        assertThat(page.locator("dialog h1")).hasText("Shed 13");
        assertThat(page).hasURL(address("/sheds/Shed%2013?page=2"));
        assertThat(violations(page)).isEmpty();
        page.locator("dialog [rel=next]").click();
        assertThat(page.locator("dialog h1")).hasText("Shed 14");
        page.evaluate("() => document.querySelector('tbody tr').setAttribute('data-same', 'yes')");
        page.goBack();
        assertThat(page.locator("dialog.row-slip")).isHidden();
        assertThat(page).hasURL(address("/sheds?page=2"));
        // the list was not asked for again
        assertThat(page.locator("tbody tr[data-same]")).hasCount(1);
        link(page, "Shed 15").click();
        assertThat(page.locator("dialog h1")).hasText("Shed 15");
        page.keyboard().press("Escape");
        assertThat(page.locator("dialog.row-slip")).isHidden();
        // its address by itself is the row's page
        page.navigate(address("/sheds/Shed%2013"));
        assertThat(page.locator("main h1")).hasText("Shed 13");
    }

    @Test
    void aLineUnfoldsInPlaceAndFoldsAgain() {
        publish(on(Opening.How.UNFOLD, NOTES));
        Page page = desktop();
        page.navigate(address("/sheds"));
        link(page, "Quill").click();
        assertThat(page.locator("tr.unfolded")).containsText("Word Word");
        assertThat(page).hasURL(address("/sheds"));
        link(page, "Rook").click();
        assertThat(page.locator("tr.unfolded")).hasCount(2);
        assertThat(violations(page)).isEmpty();
        link(page, "Quill").click();
        assertThat(page.locator("tr.unfolded")).hasCount(1);
    }

    @Test
    void aButtonOpensWhereTheOwnerWantsOneAndNothingWhereNot() {
        publish(on(Opening.How.NARROW_SLIP, NOTES).withButton("Read on"));
        Page page = desktop();
        page.navigate(address("/sheds"));
        page.locator("tbody tr").first().locator("td").first().click();
        assertThat(page.locator("dialog.row-slip")).hasCount(0);
        page.locator("td.opener a").first().click();
        assertThat(page.locator("dialog h1")).hasText("North/South");
        publish(Opening.NONE);
        page.navigate(address("/sheds"));
        assertThat(page.locator("a.opens")).hasCount(0);
        assertThat(page.navigate(address("/sheds/Quill")).status()).isEqualTo(404);
        forgiveConsole("404");
    }

    @Test
    void aRowThatAVisitorMayNotSeeLooksLikeNone() {
        publish(on(Opening.How.PAGE));
        publisher.open(SHEDS, Openness.MEMBERS);
        Page page = desktop();
        Response hidden = page.navigate(address("/sheds/Quill"));
        String text = page.locator("main").textContent();
        assertThat(hidden.status()).isEqualTo(404);
        assertThat(page.navigate(address("/sheds/None")).status()).isEqualTo(404);
        assertThat(page.locator("main").textContent()).isEqualTo(text);
        forgiveConsole("404");
        Page member = signedIn("mira@example.org");
        member.navigate(address("/sheds/Quill"));
        assertThat(member.locator("h1")).hasText("Quill");
    }

    @Test
    void withoutScriptsARowIsAPage() {
        publish(on(Opening.How.UNFOLD, NOTES));
        Page page = withoutScripts();
        page.navigate(address("/sheds"));
        link(page, "Quill").click();
        assertThat(page.locator("h1")).hasText("Quill");
        assertThat(page.locator(".opened-lines")).containsText("Word Word");
    }
}
