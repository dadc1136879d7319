package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Whole jobs take few actions of an owner who begins with nothing: at a desk as on a phone, and by
 * keys alone. */
class WholeJobsTest extends AtBench {

    private Hands hands;

    /** At the end of the job. */
    private void assertActions(int most) {
        assertThat(hands.actions()).isLessThanOrEqualTo(most);
    }

    @AfterEach
    void removeWhatWasMade() {
        closePages();
        TableKey lots = new TableKey("lots");
        FieldKey highest = new FieldKey("highest_bid");
        catalog.table(lots).filter(table -> table.fields().has(highest)).ifPresent(table -> changes.removeField(lots, highest, OWNER));
        Stream.of("loans", "bring_a_dish", "jams", "bid", "lots", "chores").map(TableKey::new).filter(key -> catalog.table(key).isPresent())
                .forEach(publisher::remove);
        catalog.groups().stream().map(Group::key).filter(new GroupKey("raisers")::equals).forEach(publisher::removeGroup);
    }

    private Page owner(Hands.By by) {
        Page page = signedIn("owner@example.org");
        hands = new Hands(page, by);
        return page;
    }

    @ParameterizedTest
    @EnumSource
    void eachMemberSeesAndChangesTheirOwnInTwenty(Hands.By by) {
        Page page = owner(by);
        page.navigate(address("/desk/tables"));
        makeTable(page, "Loans");
        addField(page, "DATE", "Due");
        addField(page, "YES_NO", "Returned");
        hands.click(link(page, "Grants"));
        hands.click(button(page, "Each sees and changes only their own"));
        assertThat(page.locator("select[name=value]").first()).hasValue("member");
        hands.click(page.locator(".on-pages a"));
        hands.click(word(page, "changing"));
        hands.check(page.getByLabel("add rows"));
        hands.check(page.getByLabel("change rows"));
        hands.click(button(page, "Publish"));
        assertThat(page.locator(".note-good").first()).containsText("published at /loans");
        assertActions(20);
        Page member = signedIn("mira@example.org");
        member.navigate(address("/loans"));
        assertThat(link(member, "Add a row")).isVisible();
    }

    @ParameterizedTest
    @EnumSource
    void aFormAndItsListInTwelve(Hands.By by) {
        Page page = owner(by);
        page.navigate(address("/desk/forms"));
        hands.fill(page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)), "Bring a dish");
        hands.click(button(page, "Add a form"));
        waitForScripts(page);
        hands.click(word(page, "ask"));
        hands.fill(page.locator("#question-label"), "Course");
        hands.select(page.locator("#question-kind"), "CHOICE");
        hands.fill(page.locator("#question-options-CHOICE"), "soup, main, sweet");
        hands.click(button(page, "Add the question"));
        hands.click(button(page, "can from now on"));
        hands.check(page.locator("[value=EVERYONE]"));
        hands.click(button(page, "Publish"));
        assertThat(page.locator(".note-good").first()).containsText("published at /bring-a-dish");
        assertActions(12);
        Page anybody = desktop();
        anybody.navigate(address("/bring-a-dish"));
        anybody.locator("[name='v.name']").fill("Leek pie");
        anybody.locator("[name='v.course']").selectOption("main");
        button(anybody, "Send").click();
        assertThat(anybody.locator(".table tbody tr")).containsText("Leek pie");
    }

    @ParameterizedTest
    @EnumSource
    void cardsWithFiltersFromAFileInFifteen(Hands.By by) {
        Page page = owner(by);
        bringIn(page, "jams", "Jam,Fruit,Sweet\n" + IntStream.range(0, 12)
                .mapToObj(i -> "Jam " + i + (i % 3 == 0 ? ",quince,no\n" : ",plum,yes\n")).collect(Collectors.joining()));
        hands.click(page.locator("[href='/desk/pages/jams/jams']").first());
        hands.click(word(page, "layout"));
        hands.check(page.getByLabel("cards", new Page.GetByLabelOptions().setExact(true)));
        hands.click(word(page, "open"));
        hands.check(page.getByLabel("a page of its own"));
        assertThat(proof(page).locator(".card a.opens")).hasCount(12);
        hands.check(page.locator("[value=EVERYONE]"));
        hands.click(button(page, "Publish"));
        assertThat(page.locator(".note-good").first()).containsText("published at /jams");
        assertActions(15);
        Page visitor = desktop();
        visitor.navigate(address("/jams"));
        assertThat(visitor.locator(".card")).hasCount(12);
        visitor.navigate(address("/jams?f.fruit=quince"));
        assertThat(visitor.locator(".card")).hasCount(4);
    }

    @ParameterizedTest
    @EnumSource
    void aCatalogueWithBidsInForty(Hands.By by) {
        Page page = owner(by);
        bringIn(page, "lots", "Lot,Story\nLamp,brass\nVase,blue\n");
        hands.click(page.locator("[href='/desk/pages/lots/lots']").first());
        hands.click(word(page, "buttons"));
        hands.fill(page.locator("#about-label"), "Bid");
        hands.click(button(page, "Add the button"));
        assertThat(proof(page).locator("tbody tr").first()).containsText("Bid");
        hands.click(link(page, "Forms").first());
        hands.click(link(page, "Bid").first());
        hands.click(word(page, "ask"));
        hands.fill(page.locator("#question-label"), "Amount");
        hands.select(page.locator("#question-kind"), "WHOLE_NUMBER");
        hands.click(button(page, "Add the question"));
        assertThat(page.locator("#ticket")).containsText("Amount");
        hands.click(button(page, "can from now on"));
        hands.click(link(page, "Tables").first());
        hands.click(link(page, "Lots").first());
        hands.click(link(page, "Fields").first());
        hands.select(page.locator(".add-field [name=kind]"), "TALLY");
        hands.click(button(page, "Go on"));
        hands.fill(page.locator(".slip [name=label]"), "Highest bid");
        hands.select(page.locator(".slip [name=of]"), page.locator(".slip [name=of] option").nth(1).getAttribute("value"));
        hands.select(page.locator(".slip [name=measure]"), "GREATEST");
        hands.select(page.locator(".slip [name=ofField]"), "amount");
        hands.click(button(page, "Add"));
        assertThat(page.locator(".note-good").first()).containsText("Highest bid");
        hands.click(link(page, "Pages").first());
        hands.click(link(page, "Lots").first());
        page.waitForURL(address("/desk/pages/lots"));
        page.locator("[value=EVERYONE]").all().forEach(hands::check);
        hands.click(button(page, "Publish"));
        assertThat(page.locator(".note-good").first()).containsText("published at /lots");
        assertActions(40);
        Page visitor = desktop();
        visitor.navigate(address("/lots"));
        link(visitor, "Bid").first().click();
        visitor.locator("[name='v.name']").fill("Sorrel");
        visitor.locator("[name='v.amount']").fill("12");
        button(visitor, "Send").click();
        visitor.navigate(address("/lots"));
        assertThat(visitor.locator(".table tbody tr").filter(new Locator.FilterOptions().setHasText("Lamp"))).containsText("12");
    }

    @ParameterizedTest
    @EnumSource
    void aPageOfAGroupWithItsTasksInTwentyFive(Hands.By by) {
        Page page = owner(by);
        page.navigate(address("/desk/members"));
        hands.fill(page.getByLabel("Name of a new group"), "Raisers");
        hands.click(button(page, "Add a group"));
        hands.fill(page.locator("#group-hands"), "Mira");
        hands.check(page.locator(".found-rows").getByLabel("Mira Holloway"));
        hands.click(button(page, "Add them"));
        assertThat(page.locator(".lead").first()).containsText("1");
        hands.click(link(page, "Tables").first());
        makeTable(page, "Chores");
        addField(page, "DATE", "By");
        addField(page, "YES_NO", "Done");
        hands.click(link(page, "Grants"));
        for (String word : List.of("group-raisers-see", "group-raisers-change")) {
            hands.click(word(page, word));
            hands.check(page.locator("[data-panel='" + word + "']").getByLabel("all rows"));
            assertThat(page.locator("[data-opens='" + word + "']")).hasText("all");
        }
        hands.click(page.locator(".on-pages a"));
        hands.click(word(page, "changing"));
        hands.check(page.getByLabel("change rows"));
        assertThat(page.locator("[data-opens=changing]")).containsText("change");
        hands.click(button(page, "Publish"));
        assertThat(page.locator(".note-good").first()).containsText("published at /chores");
        assertActions(25);
        editing.add(new TableKey("chores"), Map.of(NAME, Value.of("Rake")), OWNER);
        Page member = signedIn("mira@example.org");
        member.navigate(address("/chores"));
        assertThat(member.locator(".table tbody tr")).containsText("Rake");
        assertThat(get("/chores").body()).doesNotContain("Rake");
    }

    private static Locator word(Page page, String word) {
        return page.locator("[data-opens='" + word + "']");
    }

    private void makeTable(Page page, String label) {
        hands.fill(page.locator(".make-table [name=label]"), label);
        hands.click(button(page, "Add"));
    }

    private void addField(Page page, String kind, String label) {
        hands.select(page.locator(".add-field [name=kind]"), kind);
        hands.click(button(page, "Go on"));
        hands.fill(page.locator(".slip [name=label]"), label);
        hands.click(button(page, "Add"));
        assertThat(page.locator(".note-good").first()).containsText(label);
    }

    private void bringIn(Page page, String name, String rows) {
        page.navigate(address("/desk"));
        hands.act(() -> page.locator("input[type=file]").setInputFiles(new FilePayload(name + ".csv", "text/csv", rows.getBytes(StandardCharsets.UTF_8))));
        page.waitForURL(Pattern.compile(".*/desk/intake/.*"));
        hands.click(button(page, "Bring in"));
        page.waitForURL(Pattern.compile(".*/desk/pages/" + name + ".*"));
    }
}
