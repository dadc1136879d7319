package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** What no form of ours sends gets an answer that says what is wrong; and what breaks loses nothing that was typed. */
class BareRequestsTest extends WithTables {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey STATE = new FieldKey("state");
    private static final TableKey NESTS = new TableKey("nests");

    @Autowired
    private DSLContext sql;

    private RowId row;

    @BeforeEach
    void make() {
        Table nests = changes.make("Nests", new Fields(List.of(new Field(NAME, "Name", new Textual.Text())
                .with(Rules.NONE.requiring(true)), new Field(STATE, "State", Chosen.Choice.of(List.of("empty", "in use"))))), OWNER);
        row = editing.add(NESTS, Map.of(NAME, Value.of("North"), STATE, Value.of("empty")), OWNER).row();
        publish(new PageKey("nests"), "Nests", Listing.plain(new ListingKey("nests"), nests.key(), List.of(NAME, STATE))
                .with(Changing.NOTHING.with(true, true, true).inPlace(true).severally(true)), NESTS);
        drafts.change(new PageKey("nests"), "owner", page -> page.holding(List.of(Form.suggested(new FormKey("nest"), nests, "Add a nest"))));
        publisher.publish(new PageKey("nests"), Map.of(), null);
        publisher.grant(NESTS, new Grants(Stream.of(Verb.SEE, Verb.ADD, Verb.CHANGE, Verb.REMOVE).map(verb ->
                new Grant(Audience.EVERYONE, verb, Condition.ALWAYS)).toList()));
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(NESTS);
    }

    private static int post(Page page, String address, String... inputs) {
        FormData data = FormData.create().set("_csrf", page.locator("input[name=_csrf]").first().inputValue());
        for (int i = 0; i < inputs.length; i += 2) {
            data.append(inputs[i], inputs[i + 1]);
        }
        APIResponse answer = page.request().post(address, RequestOptions.create().setForm(data).setMaxRedirects(0));
        assertThat(answer.text()).as(address).doesNotContain("Something broke");
        return answer.status();
    }

    @Test
    void whatIsSentWithoutItsFieldsIsRefusedWithASentence() {
        Page page = signedIn("mira@example.org");
        page.navigate(address("/nests"));
        String rows = address("/listings/nests/rows");
        assertThat(post(page, rows + "/" + row + "/value/name")).isLessThan(500);
        assertThat(post(page, rows + "/" + row + "/value/nothing")).isEqualTo(404);
        assertThat(post(page, rows + "/several", "row", "" + row, "field", "name", "v.name", "")).isLessThan(500);
        assertThat(post(page, rows + "/several", "row", "" + row, "field", "state", "was.state", "", "v.state", "gone")).isLessThan(500);
        assertThat(post(page, rows + "/add")).isLessThan(500);
        assertThat(post(page, rows + "/" + row + "/change")).isLessThan(500);
        assertThat(sql.fetchCount(DSL.table("hosted.nests"))).isEqualTo(1);
        assertThat(page.request().get(rows.replace("/rows", "") + "/rows/refer/name").status()).isLessThan(500);
        assertThat(editing.find(NESTS, row).orElseThrow().values()).isEqualTo(Map.of(NAME, Value.of("North"), STATE, Value.of("empty")));
    }

    /** Not even by hand a choice becomes what is not offered. */
    @Test
    void aChoiceIsOneOfItsOptionsWhereverItComesFrom() {
        assertThat(editing.change(NESTS, row, Map.of(), Map.of(STATE, java.util.Optional.of(Value.of("gone"))), OWNER))
                .isInstanceOf(org.pressboard.editing.RowEditing.Outcome.Refused.class);
        assertThat(editing.add(NESTS, Map.of(NAME, Value.of("East"), STATE, Value.of("gone")), OWNER).outcome())
                .isInstanceOf(org.pressboard.editing.RowEditing.Outcome.Refused.class);
    }

    @Test
    void theDeskAnswersWhatNoFormOfItsSends() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk"));
        assertThat(post(owner, address("/desk/intake"))).isEqualTo(400);
        assertThat(post(owner, address("/desk/files"))).isEqualTo(400);
        assertThat(owner.request().get(address("/desk/tables/nests/pick/name?q=a")).status()).isEqualTo(404);
    }

    /** Something is wrong with the database that nobody foresaw: what was typed is there again, with what can be done. */
    @Test
    void whatWasTypedIsThereAgainWhenSomethingBreaks() {
        Page page = signedIn("mira@example.org");
        page.navigate(address("/nests/send/nest"));
        page.locator("[name='v.name']").fill("By the old wall");
        DATABASE.execute("alter table hosted.nests add constraint odd check (name <> 'By the old wall') not valid");
        button(page, "Send").click();
        assertThat(page.locator("main")).containsText("Something broke on our side");
        assertThat(page.locator("[name='v.name']")).hasValue("By the old wall");
        DATABASE.execute("alter table hosted.nests drop constraint odd");
        button(page, "Send").click();
        assertThat(page.locator("main")).containsText("Thank you");
    }

    /** At the desk, too, on the page that says what failed: seen, and sent again by one click. */
    @Test
    void theDesksFormsAreThereAgainToo() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables/nests/rows/new"));
        owner.locator("[name='v.name']").fill("By the old wall");
        DATABASE.execute("alter table hosted.nests add constraint odd check (name <> 'By the old wall') not valid");
        owner.locator("dialog[open] .button-main, .slip .button-main").first().click();
        assertThat(owner.locator("body")).containsText("By the old wall");
        DATABASE.execute("alter table hosted.nests drop constraint odd");
        button(owner, "Try again").click();
        assertThat(owner.locator("main")).containsText("By the old wall");
        forgiveConsole("500");
    }
}
