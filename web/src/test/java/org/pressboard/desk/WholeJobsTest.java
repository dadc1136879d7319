package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** Whole jobs take few actions of an owner who begins with nothing: each click, choice or text typed is one, at
 * a desk as on a phone. */
class WholeJobsTest extends AtBench {

    private int actions;

    /** At the end of the job. */
    private void assertActions(int most) {
        assertThat(actions).isLessThanOrEqualTo(most);
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

    private Page owner(int width) {
        Page page = signedIn("owner@example.org");
        page.setViewportSize(width, 844);
        return page;
    }

    private void act(Runnable action) {
        actions++;
        action.run();
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void eachMemberSeesAndChangesTheirOwnInTwenty(int width) {
        Page page = owner(width);
        page.navigate(address("/desk/tables"));
        makeTable(page, "Loans");
        addField(page, "DATE", "Due");
        addField(page, "YES_NO", "Returned");
        act(() -> link(page, "Grants").click());
        act(() -> button(page, "Each sees and changes only their own").click());
        assertThat(page.locator("select[name=value]").first()).hasValue("member");
        act(() -> page.locator(".on-pages a").click());
        act(() -> open(page, "changing"));
        act(() -> page.getByLabel("add rows").check());
        act(() -> page.getByLabel("change rows").check());
        act(() -> button(page, "Publish").click());
        assertThat(page.locator(".note-good").first()).containsText("published at /loans");
        assertActions(20);
        Page member = signedIn("mira@example.org");
        member.navigate(address("/loans"));
        assertThat(link(member, "Add a row")).isVisible();
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void aFormAndItsListInTwelve(int width) {
        Page page = owner(width);
        page.navigate(address("/desk/forms"));
        act(() -> page.getByLabel("Title", new Page.GetByLabelOptions().setExact(true)).fill("Bring a dish"));
        act(() -> button(page, "Add a form").click());
        waitForScripts(page);
        act(() -> open(page, "ask"));
        act(() -> page.locator("#question-label").fill("Course"));
        act(() -> page.locator("#question-kind").selectOption("CHOICE"));
        act(() -> page.locator("#question-options-CHOICE").fill("soup, main, sweet"));
        act(() -> button(page, "Add the question").click());
        act(() -> button(page, "can from now on").click());
        act(() -> page.locator("[value=EVERYONE]").check());
        act(() -> button(page, "Publish").click());
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
    @ValueSource(ints = {1280, 390})
    void cardsWithFiltersFromAFileInFifteen(int width) {
        Page page = owner(width);
        bringIn(page, "jams", "Jam,Fruit,Sweet\n" + IntStream.range(0, 12)
                .mapToObj(i -> "Jam " + i + (i % 3 == 0 ? ",quince,no\n" : ",plum,yes\n")).collect(Collectors.joining()));
        act(() -> page.locator("[href='/desk/pages/jams/jams']").first().click());
        act(() -> open(page, "layout"));
        act(() -> page.getByLabel("cards", new Page.GetByLabelOptions().setExact(true)).check());
        act(() -> open(page, "open"));
        act(() -> page.getByLabel("a page of its own").check());
        assertThat(proof(page).locator(".card a.opens")).hasCount(12);
        act(() -> page.locator("[value=EVERYONE]").check());
        act(() -> button(page, "Publish").click());
        assertThat(page.locator(".note-good").first()).containsText("published at /jams");
        assertActions(15);
        Page visitor = desktop();
        visitor.navigate(address("/jams"));
        assertThat(visitor.locator(".card")).hasCount(12);
        visitor.navigate(address("/jams?f.fruit=quince"));
        assertThat(visitor.locator(".card")).hasCount(4);
    }

    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void aCatalogueWithBidsInForty(int width) {
        Page page = owner(width);
        bringIn(page, "lots", "Lot,Story\nLamp,brass\nVase,blue\n");
        act(() -> page.locator("[href='/desk/pages/lots/lots']").first().click());
        act(() -> open(page, "buttons"));
        act(() -> page.locator("#about-label").fill("Bid"));
        act(() -> button(page, "Add the button").click());
        assertThat(proof(page).locator("tbody tr").first()).containsText("Bid");
        act(() -> link(page, "Forms").first().click());
        act(() -> link(page, "Bid").first().click());
        act(() -> open(page, "ask"));
        act(() -> page.locator("#question-label").fill("Amount"));
        act(() -> page.locator("#question-kind").selectOption("WHOLE_NUMBER"));
        act(() -> button(page, "Add the question").click());
        assertThat(page.locator("#ticket")).containsText("Amount");
        act(() -> button(page, "can from now on").click());
        act(() -> link(page, "Tables").first().click());
        act(() -> link(page, "Lots").first().click());
        act(() -> link(page, "Fields").first().click());
        act(() -> page.locator(".add-field [name=kind]").selectOption("TALLY"));
        act(() -> button(page, "Go on").click());
        act(() -> page.locator(".slip [name=label]").fill("Highest bid"));
        act(() -> page.locator(".slip [name=of]").selectOption(new SelectOption().setIndex(1)));
        act(() -> page.locator(".slip [name=measure]").selectOption("GREATEST"));
        act(() -> page.locator(".slip [name=ofField]").selectOption("amount"));
        act(() -> button(page, "Add").click());
        assertThat(page.locator(".note-good").first()).containsText("Highest bid");
        act(() -> link(page, "Pages").first().click());
        act(() -> link(page, "Lots").first().click());
        page.locator("[value=EVERYONE]").all().forEach(each -> act(each::check));
        act(() -> button(page, "Publish").click());
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
    @ValueSource(ints = {1280, 390})
    void aPageOfAGroupWithItsTasksInTwentyFive(int width) {
        Page page = owner(width);
        page.navigate(address("/desk/members"));
        act(() -> page.getByLabel("Name of a new group").fill("Raisers"));
        act(() -> button(page, "Add a group").click());
        act(() -> page.locator("#group-hands").fill("Mira"));
        act(() -> page.locator(".found-rows").getByLabel("Mira Holloway").check());
        act(() -> button(page, "Add them").click());
        assertThat(page.locator(".lead").first()).containsText("1");
        act(() -> link(page, "Tables").first().click());
        makeTable(page, "Chores");
        addField(page, "DATE", "By");
        addField(page, "YES_NO", "Done");
        act(() -> link(page, "Grants").click());
        for (String word : List.of("group-raisers-see", "group-raisers-change")) {
            act(() -> open(page, word));
            act(() -> page.locator("[data-panel='" + word + "']").getByLabel("all rows").check());
            assertThat(page.locator("[data-opens='" + word + "']")).hasText("all");
        }
        act(() -> page.locator(".on-pages a").click());
        act(() -> open(page, "changing"));
        act(() -> page.getByLabel("change rows").check());
        assertThat(page.locator("[data-opens=changing]")).containsText("change");
        act(() -> button(page, "Publish").click());
        assertThat(page.locator(".note-good").first()).containsText("published at /chores");
        assertActions(25);
        editing.add(new TableKey("chores"), Map.of(NAME, Value.of("Rake")), OWNER);
        Page member = signedIn("mira@example.org");
        member.navigate(address("/chores"));
        assertThat(member.locator(".table tbody tr")).containsText("Rake");
        assertThat(get("/chores").body()).doesNotContain("Rake");
    }

    private void makeTable(Page page, String label) {
        act(() -> page.locator(".make-table [name=label]").fill(label));
        act(() -> button(page, "Add").click());
    }

    private void addField(Page page, String kind, String label) {
        act(() -> page.locator(".add-field [name=kind]").selectOption(kind));
        act(() -> button(page, "Go on").click());
        act(() -> page.locator(".slip [name=label]").fill(label));
        act(() -> button(page, "Add").click());
        assertThat(page.locator(".note-good").first()).containsText(label);
    }

    private void bringIn(Page page, String name, String rows) {
        page.navigate(address("/desk"));
        act(() -> page.locator("input[type=file]").setInputFiles(new FilePayload(name + ".csv", "text/csv", rows.getBytes(StandardCharsets.UTF_8))));
        page.waitForURL(Pattern.compile(".*/desk/intake/.*"));
        act(() -> button(page, "Bring in").click());
        page.waitForURL(Pattern.compile(".*/desk/pages/" + name + ".*"));
    }
}
