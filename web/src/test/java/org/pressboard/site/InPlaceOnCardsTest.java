package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.edition.PageKey;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Deed;
import org.pressboard.listing.Layout;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Opening;
import org.pressboard.form.Stamp;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Values are changed where they stand also on cards and on opened rows; what can be taken back takes one click. */
class InPlaceOnCardsTest extends WithTables {

    private static final TableKey TROUGHS = new TableKey("troughs");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey FULL = new FieldKey("full");
    private static final FieldKey LITRES = new FieldKey("litres");
    private static final String PAGE = "/troughs";

    @BeforeEach
    void publishCards() {
        changes.make("Troughs", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()), new Field(FULL, "Full",
                new FieldType.YesNo()), new Field(LITRES, "Litres", new Numeric.WholeNumber(true)))), OWNER);
        List.of("North", "South").forEach(name -> editing.add(TROUGHS, Map.of(NAME, Value.of(name), LITRES, Value.of(20)), OWNER));
        Listing listing = Listing.plain(new ListingKey("troughs"), TROUGHS, List.of(NAME, FULL, LITRES))
                .with(Opening.NONE.by(Opening.How.NARROW_SLIP)).with(Changing.NOTHING.with(false, true, false).inPlace(true)
                        .doing(List.of(new Deed("Emptied", Condition.ALWAYS, List.of(new Stamp(LITRES, new Operand.Fixed(Value.of(0))))))));
        publish(new PageKey("troughs"), "Troughs", listing.with(listing.show().in(Layout.LayoutKind.CARDS)), TROUGHS);
    }

    @AfterEach
    void remove() {
        closePages();
        publisher.remove(TROUGHS);
    }

    private Page open() {
        Page page = signedIn("owner@example.org");
        page.navigate(address(PAGE));
        waitForScripts(page);
        return page;
    }

    private static Locator card(Page page, String name) {
        return page.locator(".card", new Page.LocatorOptions().setHasText(name));
    }

    @Test
    void aValueOnACardIsTypedWhereItStandsAndAYesIsOneClick() {
        Page page = open();
        card(page, "North").locator("[data-value$='/value/litres']").click();
        page.locator(".value-form [name='v.litres']").fill("35");
        page.keyboard().press("Enter");
        assertThat(page.locator(".notices")).containsText("Changed.");
        assertThat(card(page, "North")).containsText("35");
        card(page, "South").getByRole(com.microsoft.playwright.options.AriaRole.CHECKBOX).click();
        assertThat(card(page, "South").locator("[aria-checked=true]")).isVisible();
        card(page, "South").getByRole(com.microsoft.playwright.options.AriaRole.CHECKBOX).click();
        assertThat(card(page, "South").locator("[aria-checked=false]")).isVisible();
        button(page, "Undo").click();
        assertThat(card(page, "South").locator("[aria-checked=true]")).isVisible();
        assertThat(violations(page)).isEmpty();
    }

    @Test
    void soIsOneOnAnOpenedRowInItsSlipAndOnItsPage() {
        Page page = open();
        link(page, "North").click();
        Locator slip = page.locator("dialog.row-slip");
        slip.locator("[data-value$='/value/litres']").click();
        page.locator(".value-form [name='v.litres']").fill("12");
        page.keyboard().press("Enter");
        assertThat(slip.locator(".notices")).containsText("Changed.");
        assertThat(slip.locator(".opened-lines")).containsText("12");
        button(page, "Close").click();
        assertThat(card(page, "North")).containsText("12");
        String address = String.valueOf(link(page, "North").getAttribute("href"));
        page.navigate(address(address));
        page.locator("[data-value$='/value/litres']").click();
        page.locator(".value-form [name='v.litres']").fill("13");
        page.keyboard().press("Enter");
        assertThat(page.locator("#opened .notices")).containsText("Changed.");
        assertThat(page.locator(".opened-lines")).containsText("13");
    }

    @Test
    void aButtonActsWithOneClickAndIsTakenBackWithAnother() {
        Page page = open();
        card(page, "North").getByText("Emptied").click();
        assertThat(page.locator(".note-good")).containsText("Changed.");
        assertThat(card(page, "North").locator("dd").last()).hasText("0");
        assertThat(page).hasURL(address(PAGE));
        button(page, "Undo").click();
        assertThat(card(page, "North").locator("dd").last()).hasText("20");
        link(page, "South").click();
        page.locator("dialog.row-slip").getByText("Emptied").click();
        assertThat(page.locator("dialog .note-good")).containsText("Changed.");
        assertThat(page.locator("dialog .opened-lines")).containsText("0");
    }
}
