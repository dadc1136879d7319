package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.form.Stamp;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Opening;
import org.pressboard.listing.TakeAway;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** What is made up by whoever sends it: refused in a sentence or harmless, and never an error page. */
class ForgeryTest extends WithTables {

    /** Ends whatever it could stand in, and says so when it runs. */
    private static final String SCRIPT = "\"'></title></textarea></script><script>window.hit=1</script><img src=x onerror=window.hit=1>";

    private static final TableKey FORGED = new TableKey("forged");
    private static final PageKey PAGE = new PageKey("forged");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey PART = new FieldKey("part");
    private static final FieldKey STATE = new FieldKey("state");
    private static final Map<FieldKey, FieldType> KINDS = Map.of(NAME, new Textual.Text(), PART, new Textual.LongText(),
            new FieldKey("formatted"), new Textual.FormattedText(), new FieldKey("mail"), new Textual.Email(),
            new FieldKey("site"), new Textual.Link(), new FieldKey("phone"), new Textual.Phone(), STATE,
            Chosen.Choice.of(List.of("new", SCRIPT)), new FieldKey("day"), new Temporal.Date(), new FieldKey("number"),
            new Numeric.Decimal(1), new FieldKey("many"), Chosen.Choices.of(List.of("one", SCRIPT)));

    private Table table;

    /** Everything that an owner can word is worded so. */
    @BeforeEach
    void wordEverythingSo() {
        List<Field> fields = new ArrayList<>(KINDS.entrySet().stream().sorted(Map.Entry.comparingByKey()).map(kind ->
                new Field(kind.getKey(), cut(SCRIPT + kind.getKey()), kind.getValue())).toList());
        table = changes.make("Forged", new Fields(fields), OWNER);
        changes.change(catalog.table(FORGED).orElseThrow().labelled(cut(SCRIPT), SCRIPT), OWNER);
        table = catalog.table(FORGED).orElseThrow();
        editing.add(FORGED, Map.of(NAME, Value.of(SCRIPT), PART, Value.of(SCRIPT), STATE, Value.of(SCRIPT)), OWNER);
        publisher.grant(FORGED, new Grants(Verb.of(false).stream().map(verb -> new Grant(verb == Verb.SEE || verb == Verb.ADD
                ? Audience.EVERYONE : Audience.MEMBERS, verb, Condition.ALWAYS)).toList()));
        List<FieldKey> shown = KINDS.keySet().stream().sorted().toList();
        Listing listing = Listing.plain(new ListingKey("forged"), FORGED, shown).with(Finding.by(List.of(NAME, PART),
                List.of(STATE, new FieldKey("many"), new FieldKey("day"))).hinting(cut(SCRIPT)))
                .with(Opening.NONE.by(Opening.How.PAGE)).with(Changing.NOTHING.with(true, true, true).severally(true).inPlace(true))
                .takenAwayAs(Set.of(TakeAway.values()));
        publish(PAGE, cut(SCRIPT), listing.with(listing.dress().titled(cut(SCRIPT))));
        Form form = Form.plain(new FormKey("tell"), FORGED, cut(SCRIPT)).titled(cut(SCRIPT), SCRIPT)
                .asking(shown.stream().filter(field -> !field.equals(STATE)).map(field -> Question.of(field).explained(SCRIPT))
                        .toList()).stamping(List.of(new Stamp(STATE, new Operand.Fixed(Value.of("new")))));
        drafts.change(PAGE, "owner", draft -> draft.leading(SCRIPT).holding(List.of(form)));
        publisher.publish(PAGE, Map.of(), null);
    }

    private static String cut(String text) {
        return text.length() <= 100 ? text : text.substring(0, 100);
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(FORGED);
    }

    /** Whatever would run fails the test by what the browser says of it, too. */
    private void isHarmless(Page page, String address) {
        Response answer = page.navigate(address(address));
        assertThat(answer.status()).as(address).isLessThan(400);
        assertThat(page.evaluate("window.hit")).as(address).isNull();
        assertThat(page.locator("img[src=x]").count()).as(address).isZero();
    }

    @Test
    void scriptInWhateverIsWordedIsShownAsItIs() {
        Page member = signedIn("tomas@example.org");
        for (String address : List.of("/forged", "/forged/1", "/forged?q=" + "%3Cscript%3Ewindow.hit%3D1%3C%2Fscript%3E",
                "/forged?f.state=%22%3E%3Cscript%3Ewindow.hit=1%3C/script%3E&sort=%3Cscript%3E", "/listings/forged/rows/add",
                "/listings/forged/rows/1/change", "/listings/forged/rows/1/remove", "/listings/forged/rows/several?row=1",
                "/forged/send/tell?v.name=%22%3E%3Cscript%3Ewindow.hit=1%3C/script%3E", "/listings/forged/print")) {
            isHarmless(member, address);
        }
        member.navigate(address("/forged"));
        assertThat(member.locator(".table tbody tr").first()).containsText(SCRIPT);
        Page owner = signedIn("owner@example.org");
        for (String address : List.of("/desk/tables", "/desk/tables/forged", "/desk/tables/forged/fields",
                "/desk/tables/forged/history", "/desk/tables/forged/access", "/desk/tables/forged/rows/1", "/desk/pages",
                "/desk/pages/forged", "/desk/pages/forged/forged", "/desk/proof/forged", "/desk/editions/forged", "/desk/forms",
                "/desk/forms/forged/tell", "/desk/log", "/desk/tables/forged/fields/name")) {
            isHarmless(owner, address);
        }
    }

    private APIResponse post(Page page, String address, Map<String, String> sent) {
        FormData form = FormData.create();
        sent.forEach(form::set);
        return page.request().post(address(address), RequestOptions.create().setForm(form).setMaxRedirects(0));
    }

    /** But for the token, which is another each time. */
    private static String said(APIResponse answer) {
        return answer.status() + answer.text().replaceAll("name=\"_csrf\" value=\"[^\"]*\"", "");
    }

    private static String token(Page page) {
        return page.locator("input[name=_csrf]").first().inputValue();
    }

    /** Into each field of the forms, by a member and by whoever is not signed in. */
    @Test
    void scriptInEveryFieldIsKeptAsTypedOrRefusedAtItsPlace() {
        for (Page page : List.of(signedIn("tomas@example.org"), desktop())) {
            for (String form : List.of("/listings/forged/rows/add", "/forged/send/tell")) {
                page.navigate(address(form));
                page.locator(".fill input[name^='v.']:not([type=date]):not([type=checkbox]), .fill textarea").all()
                        .forEach(control -> control.fill(SCRIPT));
                page.locator(".fill .fill-go button").click();
                assertThat(page.locator(".control-problem").first()).isVisible();
                assertThat(page.evaluate("window.hit")).isNull();
                assertThat(page.locator("[name='v.name']").inputValue()).isEqualTo(SCRIPT);
                assertThat(page.locator("img[src=x]").count()).isZero();
            }
        }
    }

    /** What a form sets by itself cannot be sent, nor what it does not ask for; rows keep their numbers. */
    @Test
    void whatIsNotAskedForIsNotTaken() {
        Page page = signedIn("tomas@example.org");
        page.navigate(address("/forged/send/tell"));
        page.locator("[name='v.name']").fill("Sent");
        String begun = page.locator("[name=begun]").inputValue();
        APIResponse answer = post(page, "/forged/send/tell", Map.of("_csrf", token(page), "begun", begun, "v.name", "Sent",
                "was.name", "", "v.state", SCRIPT, "was.state", "", "v.row_id", "77", "was.row_id", "", "v._sender", "x",
                "was._sender", ""));
        assertThat(answer.status()).isEqualTo(302);
        assertThat(editing.find(FORGED, new RowId(2)).orElseThrow().find(STATE)).contains(Value.of("new"));
        assertThat(editing.find(FORGED, new RowId(77))).isEmpty();
        assertThat(post(page, "/listings/forged/rows/2/change", Map.of("_csrf", token(page), "v.nothing", "x", "was.nothing",
                "")).status()).isLessThan(400);
    }

    /** A row that the listing does not have, and one that nobody has, though a field is open in the first alone. */
    @Test
    void aRowThatIsNotToBeSeenAnswersAsNoneDoes() {
        publisher.grant(FORGED, new Grants(List.of(Grant.everyoneSeesAll(),
                new Grant(Audience.MEMBERS, Verb.CHANGE, Condition.ALWAYS).leavingOut(Set.of(NAME)),
                new Grant(Audience.MEMBERS, Verb.CHANGE, Condition.compare(PART, Operator.EQUALS, Value.of(SCRIPT))))));
        drafts.change(PAGE, "owner", draft -> draft.changing(new ListingKey("forged"),
                it -> it.keeping(Condition.compare(PART, Operator.EQUALS, Value.of("another")))));
        publisher.publish(PAGE, Map.of(), null);
        Page page = signedIn("tomas@example.org");
        page.navigate(address("/forged"));
        Map<String, String> sent = Map.of("_csrf", token(page), "v.name", "Mine", "was.name", SCRIPT);
        for (String what : List.of("/value/name", "/change")) {
            String hidden = "/listings/forged/rows/1" + what;
            String none = "/listings/forged/rows/77" + what;
            assertThat(said(page.request().get(address(hidden)))).as(what).contains("This row is not there any more")
                    .isEqualTo(said(page.request().get(address(none))));
            assertThat(said(post(page, hidden, sent))).as(what).contains("This row is not there any more")
                    .isEqualTo(said(post(page, none, sent)));
        }
        assertThat(editing.find(FORGED, new RowId(1)).orElseThrow().find(NAME)).contains(Value.of(SCRIPT));
    }

    @Test
    void withoutATokenOrWithSomebodyElsesNothingIsWritten() {
        Page one = signedIn("tomas@example.org");
        Page other = signedIn("pavel@example.org");
        other.navigate(address("/listings/forged/rows/add"));
        String others = token(other);
        for (Map<String, String> sent : List.of(Map.of("v.name", "x", "was.name", ""), Map.of("v.name", "x", "was.name", "",
                "_csrf", others), Map.of("v.name", "x", "was.name", "", "_csrf", "made-up"))) {
            assertThat(post(one, "/listings/forged/rows/add", sent).status()).isEqualTo(403);
        }
        assertThat(editing.find(FORGED, new RowId(2))).isEmpty();
    }

    /** Nobody is led elsewhere, and no header is written by what an address says. */
    @Test
    void nothingLeadsElsewhere() {
        for (String to : List.of("https://example.net/", "//example.net/", "/\\example.net", "javascript:alert(1)",
                "/%0d%0aSet-Cookie:x=1", "https:example.net")) {
            Page page = desktop();
            page.navigate(address("/sign-in?to=" + java.net.URLEncoder.encode(to, java.nio.charset.StandardCharsets.UTF_8)));
            signIn(page, "tomas@example.org");
            page.waitForURL(url -> !url.contains("/sign-in"));
            assertThat(page.url()).as(to).startsWith(address("/"));
            assertThat(page.context().cookies()).as(to).noneMatch(cookie -> cookie.name.equals("x"));
        }
        forgiveConsole("400");
        Page page = signedIn("tomas@example.org");
        page.navigate(address("/forged"));
        for (String list : List.of("?x=1%0d%0aSet-Cookie:x=1", "https://example.net", "//example.net?q=1")) {
            APIResponse answer = post(page, "/listings/forged/rows/1/change", Map.of("_csrf", token(page), "list", list,
                    "v.name", "Same", "was.name", SCRIPT));
            String location = String.valueOf(answer.headers().get("location"));
            assertThat(location).as(list).doesNotContain("example.net").doesNotContain("\n");
            assertThat(answer.headers()).as(list).doesNotContainEntry("set-cookie", "x=1");
        }
    }

    /** Too long, of another kind, many times, and with what no text can have. */
    @Test
    void whatDoesNotFitIsSaidAndNeverAnErrorPage() {
        Page page = signedIn("tomas@example.org");
        page.navigate(address("/forged"));
        String csrf = token(page);
        String large = "x".repeat(200_000);
        for (Map<String, String> sent : List.of(Map.of("v.name", large, "was.name", large), Map.of("v.day", "the day before",
                "was.day", "no day"), Map.of("v.number", "1e999999999", "was.number", "NaN"), Map.of("v.number",
                "9".repeat(400), "was.number", ""), Map.of("v.many", "none\nof\nthese", "was.many", ""), Map.of("v.state",
                "no state", "was.state", "no state"), Map.of("v.name", "nul\0nul", "was.name", ""), Map.of("v.mail",
                "a@b\r\nBcc: all@example.org", "was.mail", ""))) {
            Map<String, String> all = new java.util.HashMap<>(sent);
            all.put("_csrf", csrf);
            for (String address : List.of("/listings/forged/rows/add", "/listings/forged/rows/1/change",
                    "/listings/forged/rows/1/value/name", "/forged/send/tell")) {
                assertThat(post(page, address, all).status()).as(address + " " + sent.keySet()).isLessThan(500);
            }
        }
        for (String address : List.of("/listings/forged/rows/999999999999999999/change", "/listings/forged/rows/0/remove",
                "/listings/forged/rows/1/value/no_such_field", "/listings/forged/rows/1/do/99", "/forged?page=-1&size=1e9",
                "/forged?f.day.from=tomorrow", "/forged?f.day=" + large.substring(0, 6_000), "/forged/send/no-such-form",
                "/files/" + "0".repeat(64), "/listings/forged/rows/several?row=x&row=1&field=name", "/forged?sort=" + ",".repeat(500))) {
            assertThat(page.request().get(address(address)).status()).as(address).isLessThan(500);
        }
        assertThat(Stream.of(editing.find(FORGED, new RowId(1)).orElseThrow()).map(row -> row.find(PART))).containsExactly(
                java.util.Optional.of(Value.of(SCRIPT)));
    }
}
