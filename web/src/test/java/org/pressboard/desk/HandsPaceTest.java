package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.site.WithTables;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;

/** What takes two choices on a ticket is made by hand: between them the ticket is answered anew, and nothing of the first is lost. */
class HandsPaceTest extends WithTables {

    private static final TableKey SUPPERS = new TableKey("suppers");

    private Page page;

    @BeforeEach
    void openAForm() {
        changes.make("Suppers", new Fields(List.of(new Field(new FieldKey("name"), "Name", new Textual.Text()),
                new Field(new FieldKey("lunch"), "Lunch", new FieldType.YesNo()),
                new Field(new FieldKey("dish"), "Dish", Chosen.Choice.of(List.of("Soup", "Pie"))),
                new Field(new FieldKey("note"), "Note", new Textual.Text()))), OWNER);
        page = signedIn("owner@example.org");
        page.navigate(address("/desk/forms"));
        page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).fill("Supper");
        page.getByLabel("Saves to").selectOption("suppers");
        button(page, "Add a form").click();
        waitForScripts(page);
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(SUPPERS);
    }

    private void open(String... words) {
        for (String word : words) {
            page.locator("[data-opens=" + word + "]").click();
        }
    }

    /** Until the ticket has looked after itself once more. */
    private void aHandsPace() {
        page.waitForResponse(answer -> answer.url().contains("/ticket") && answer.request().method().equals("GET"), () -> { });
    }

    @Test
    void whatIsAskedOnlyAfterAnAnswerIsChosenInTwoSteps() {
        open("ask", "ask-note");
        page.locator("#ask-when-note").selectOption("dish");
        aHandsPace();
        assertThat(page.locator("#ask-when-note")).hasValue("dish");
        // another change of the ticket leaves it as it is
        open("pairs");
        page.locator("[data-panel=pairs]").getByLabel("two beside each other").check();
        assertThat(page.locator("[data-opens=pairs]")).hasText("two beside each other");
        open("ask", "ask-note");
        assertThat(page.locator("#ask-when-note")).hasValue("dish");
        page.locator("[data-panel=ask-note]").getByLabel("Pie").check();
        assertThat(page.locator("#ticket")).containsText("Pie");
        page.locator("[data-panel=ask-note]").getByLabel("Pie").uncheck();
        aHandsPace();
        assertThat(page.locator("#ask-when-note")).hasValue("dish");
        page.locator("[data-panel=ask-note]").getByLabel("Soup").check();
        button(page, "Undo").click();
        assertThat(page.locator("[data-panel=ask-note]").getByLabel("Pie")).isChecked();
        assertThat(page.locator("[data-panel=ask-note]").getByLabel("Soup")).not().isChecked();
    }

    @Test
    void whatAnAnswerBeginsWithIsChosenAndThenTyped() {
        open("ask", "ask-note");
        page.locator("#ask-start-note").selectOption("fixed");
        aHandsPace();
        assertThat(page.locator("#ask-start-note")).hasValue("fixed");
        page.locator("#ask-text-note").fill("none");
        page.waitForResponse(answer -> answer.request().method().equals("POST"), () -> page.locator("#ask-text-note").press("Tab"));
        page.reload();
        waitForScripts(page);
        assertThat(page.locator("#ask-text-note")).hasValue("none");
    }

    @Test
    void whichPageFollowsIsChosenAfterThatOneDoes() {
        open("then");
        page.locator("#then-page").check();
        aHandsPace();
        assertThat(page.locator("#then-page")).isChecked();
        page.locator("#form-page").selectOption("varieties");
        assertThat(page.locator("[data-opens=then]")).containsText("/varieties");
    }

    /** What was refused stays as it was typed, with the reason beside it, until it is put right. */
    @Test
    void aLetterThatIsRefusedForOneWordIsNotLost() {
        open("tell-OWNER");
        page.locator("#tell-text-OWNER").fill("‹Name› eats with us. ‹Guests› come too.");
        page.locator("#tell-subject-OWNER").click();
        assertThat(page.locator("[data-panel=tell-OWNER] [role=alert]")).containsText("No field is called “Guests”");
        aHandsPaceOrNone();
        assertThat(page.locator("#tell-text-OWNER")).hasValue("‹Name› eats with us. ‹Guests› come too.");
        page.locator("#tell-text-OWNER").fill("‹Name› eats with us.");
        page.locator("#tell-subject-OWNER").click();
        assertThat(page.locator("[data-opens=tell-OWNER]")).hasText("“Supper”");
        assertThat(page.locator("#ticket [role=alert]")).hasCount(0);
        page.reload();
        waitForScripts(page);
        assertThat(page.locator("#tell-text-OWNER")).hasValue("‹Name› eats with us.");
    }

    /** Something else is changed meanwhile. */
    private void aHandsPaceOrNone() {
        open("bounds");
        page.locator("#form-each").fill("2");
        page.locator("#form-each").press("Enter");
        assertThat(page.locator("[data-opens=bounds]")).containsText("2");
        open("tell-OWNER");
    }
}
