package org.pressboard.site;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Cookie;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.member.Members;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** Members and others add, change and remove rows from a page, side by side. */
class FillingTest extends WithTables {

    private static final TableKey SHEAVES = new TableKey("sheaves");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey KILOS = new FieldKey("kilos");
    private static final FieldKey GRADE = new FieldKey("grade");
    private static final FieldKey TREE = new FieldKey("tree");
    private static final FieldKey PICKER = new FieldKey("picker");
    private static final String ADD = "/listings/sheaves/rows/add";

    @Autowired
    private Members members;

    @BeforeEach
    void makeTheTable() {
        Table sheaves = changes.make("Sheaves", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(KILOS, "Kilos", new Numeric.Decimal(1)),
                new Field(GRADE, "Grade", Chosen.Choice.of(List.of("first", "second"))),
                new Field(TREE, "Tree", new Referring.Reference(new TableKey("trees"), Referring.OnRemoval.CLEAR)),
                new Field(PICKER, "Picker", new Referring.Person(new TableKey("members"), Referring.OnRemoval.CLEAR)))), OWNER);
        changes.changeField(SHEAVES, sheaves.field(NAME).with(sheaves.field(NAME).rules().requiring(true)), OWNER);
        changes.change(catalog.table(SHEAVES).orElseThrow().ownedBy(PICKER), OWNER);
        publisher.grant(SHEAVES, new Grants(Stream.of(Verb.values()).map(verb -> Grant.ofOwn(Audience.MEMBERS, verb)).toList()));
        publish(new PageKey("sheaves"), "Sheaves", Listing.plain(new ListingKey("sheaves"), SHEAVES,
                List.of(NAME, KILOS, GRADE, TREE)).with(Changing.NOTHING.with(true, true, true)));
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(SHEAVES);
    }

    @Test
    void twoMembersAndSomebodyElseSideBySide() {
        Page mira = signedIn("mira@example.org");
        mira.navigate(address("/sheaves"));
        link(mira, "Add a row").click();
        mira.getByLabel("Kilos").fill("lots");
        mira.getByLabel("Tree").fill("T-9999");
        button(mira, "Add").click();
        assertThat(mira.locator(".control-problem")).hasText(new String[] {"Please fill this in.", "“lots” is not a number, such as 12.5.",
            "No row that you see is called “T-9999”."});
        // what was typed is still there
        assertThat(mira.getByLabel("Kilos")).hasValue("lots");
        assertThat(mira.getByLabel("Tree")).hasValue("T-9999");
        assertThat(violations(mira)).isEmpty();
        mira.getByLabel("Name").fill("One");
        mira.getByLabel("Kilos").fill("12.5");
        mira.getByLabel("Grade").selectOption("first");
        mira.getByLabel("Tree").fill("t-014");
        button(mira, "Add").click();
        assertThat(mira.locator(".note-good")).containsText("Added.");
        assertThat(column(mira, 0)).containsExactly("One");
        assertThat(column(mira, 3)).containsExactly("T-014");
        assertThat(violations(mira)).isEmpty();

        Page tomas = signedIn("tomas@example.org");
        tomas.navigate(address("/sheaves"));
        assertThat(tomas.locator(".table tbody tr")).hasCount(0);
        tomas.navigate(address("/listings/sheaves/rows/1/change"));
        assertThat(tomas.locator("main")).not().containsText("One");
        assertThat(get("/sheaves").statusCode()).isEqualTo(404);
        assertThat(get("/listings/sheaves/rows/1/change").body()).doesNotContain("One");

        link(mira, "Change").click();
        mira.getByLabel("Kilos").fill("13");
        button(mira, "Save").click();
        assertThat(mira.locator(".note-good")).containsText("Changed.");
        assertThat(column(mira, 1)).containsExactly("13");
        button(mira, "Undo").click();
        assertThat(mira.locator(".note-good")).containsText("Undone.");
        assertThat(column(mira, 1)).containsExactly("12.5");
        link(mira, "Change").click();
        link(mira, "Remove").click();
        assertThat(mira.locator("h1")).hasText("Remove One?");
        assertThat(violations(mira)).isEmpty();
        button(mira, "Remove").click();
        assertThat(mira.locator(".table tbody tr")).hasCount(0);
        button(mira, "Undo").click();
        assertThat(mira.locator(".note-good")).containsText("Undone.");
        assertThat(column(mira, 0)).containsExactly("One");
        forgiveConsole("404");
    }

    /** When the owner lets them: each by the sealed name of their browser, and never all of them one. */
    @Test
    void whoIsNotSignedInIsTheirBrowser() {
        assertThat(get("/listings/sheaves/rows/add").body()).doesNotContain("<form class=\"form").contains("You cannot add rows here.");
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables/sheaves/access"));
        waitForScripts(owner);
        owner.getByLabel("What visitors send without signing in").check();
        button(owner, "Each sees and changes only their own").click();
        assertThat(owner.locator("[data-opens=everyone-change]")).hasText("their own");
        assertThat(owner.locator(".grant-warning")).hasCount(0);
        assertThat(violations(owner)).isEmpty();

        Page one = desktop();
        Page other = desktop();
        for (Page page : List.of(one, other)) {
            page.navigate(address("/sheaves"));
            assertThat(page.locator(".table tbody tr")).hasCount(0);
            link(page, "Add a row").click();
            page.getByLabel("Name").fill(page == one ? "Of one" : "Of the other");
            button(page, "Add").click();
            assertThat(page.locator(".note-good")).containsText("Added.");
        }
        one.navigate(address("/sheaves"));
        assertThat(column(one, 0)).containsExactly("Of one");
        assertThat(column(other, 0)).containsExactly("Of the other");
        assertThat(get("/sheaves").body()).doesNotContain("Of one").doesNotContain("Of the other");

        one.navigate(address("/listings/sheaves/rows/2/change"));
        assertThat(one.locator("main")).not().containsText("Of the other");
        one.navigate(address("/sheaves"));
        link(one, "Change").click();
        one.getByLabel("Kilos").fill("7");
        button(one, "Save").click();
        assertThat(column(one, 1)).containsExactly("7");
        theyTakeBackWhatTheyDid(one, other);
        // whoever makes the name up is somebody who has sent nothing
        Cookie cookie = one.context().cookies().stream().filter(each -> each.name.equals("pressboard-browser")).findFirst()
                .orElseThrow();
        Page forger = desktop();
        String name = cookie.value.substring(0, 36);
        forger.context().addCookies(List.of(new Cookie("pressboard-browser", name + ".AAAA").setUrl(address("/"))));
        forger.navigate(address("/sheaves"));
        assertThat(forger.locator(".table tbody tr")).hasCount(0);
        forgiveConsole("404");
    }

    private void theyTakeBackWhatTheyDid(Page one, Page other) {
        String changed = one.url();
        other.navigate(changed);
        assertThat(button(other, "Undo")).hasCount(0);
        button(one, "Undo").click();
        assertThat(one.locator(".note-good")).containsText("Undone.");
        assertThat(column(one, 1)).containsExactly("–");
        one.navigate(changed);
        button(one, "Undo").click();
        assertThat(one.locator(".note-good")).containsText("cannot be undone any more");
        for (String made : List.of("sheaves.1.x", "sheaves." + "9".repeat(30) + ".x", "s".repeat(80) + ".1.x", "")) {
            assertThat(one.request().get(address("/sheaves?done=changed&undo=" + made)).text()).contains("Changed.")
                    .doesNotContain("name=\"act\"");
        }
        link(one, "Change").click();
        link(one, "Remove").click();
        button(one, "Remove").click();
        assertThat(one.locator(".table tbody tr")).hasCount(0);
        button(one, "Undo").click();
        assertThat(one.locator(".note-good")).containsText("Undone.");
        assertThat(column(one, 0)).containsExactly("Of one");
    }

    @Test
    void whoeverIsSecondSeesBothValuesAndChooses() {
        RowId picker = members.find("mira@example.org").orElseThrow().id();
        editing.add(SHEAVES, Map.of(NAME, Value.of("Two"), PICKER, new Value.Referred(picker, "")), OWNER);
        Page first = signedIn("mira@example.org");
        Page second = signedIn("mira@example.org");
        for (Page page : List.of(first, second)) {
            page.navigate(address("/sheaves"));
            link(page, "Change").click();
        }
        first.getByLabel("Kilos").fill("5");
        button(first, "Save").click();
        second.getByLabel("Kilos").fill("6");
        button(second, "Save").click();
        assertThat(second.locator("main")).containsText("Somebody else has changed this row");
        assertThat(second.locator(".control-problem")).hasText("Somebody else has put “5” here since.");
        button(second, "Save").click();
        assertThat(column(second, 1)).containsExactly("6");

        link(first, "Change").click();
        first.getByLabel("Kilos").fill("7");
        first.getByLabel("Name").fill("Two and a half");
        link(second, "Change").click();
        second.getByLabel("Kilos").fill("8");
        button(second, "Save").click();
        button(first, "Save").click();
        assertThat(first.locator(".control-problem")).hasText("Somebody else has put “8” here since.");
        assertThat(violations(first)).isEmpty();
        // the Enter key keeps what one has put oneself
        first.getByLabel("Name").press("Enter");
        assertThat(column(first, 1)).containsExactly("7");
        link(second, "Change").click();
        second.getByLabel("Kilos").fill("8");
        link(first, "Change").click();
        first.getByLabel("Kilos").fill("9");
        first.getByLabel("Name").fill("Three");
        button(second, "Save").click();
        button(first, "Save").click();
        button(first, "Use theirs").click();
        assertThat(first.locator(".note-good")).containsText("Changed.");
        assertThat(column(first, 0)).containsExactly("Three");
        assertThat(column(first, 1)).containsExactly("8");
    }

    @Test
    void nobodyAddsARowWithNothingInIt() {
        Field name = catalog.table(SHEAVES).orElseThrow().field(NAME);
        changes.changeField(SHEAVES, name.with(name.rules().requiring(false)), OWNER);
        Page mira = signedIn("mira@example.org");
        mira.navigate(address("/sheaves"));
        link(mira, "Add a row").click();
        button(mira, "Add").click();
        assertThat(mira.locator("main")).containsText("Nothing is filled in yet. Nothing was added.");
        mira.getByLabel("Kilos").fill("2");
        button(mira, "Add").click();
        assertThat(mira.locator(".note-good")).containsText("Added.");
        assertThat(column(mira, 1)).containsExactly("2");
    }

    @Test
    void thoseWhoAreNotSignedInAddWhereTheyMayWithoutScripts() {
        publisher.grant(SHEAVES, new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, Condition.ALWAYS),
                new Grant(Audience.EVERYONE, Verb.ADD, Condition.ALWAYS))));
        Page page = withoutScripts();
        page.navigate(address("/sheaves"));
        link(page, "Add a row").click();
        page.getByLabel("Name").fill("<script>alert(1)</script>");
        page.getByLabel("Tree").fill("T-014");
        button(page, "Add").click();
        assertThat(page.locator(".note-good")).hasText("Added.");
        assertThat(column(page, 0)).containsExactly("<script>alert(1)</script>");
        assertThat(link(page, "Change")).hasCount(0);
        assertThat(page.context().cookies().stream().map(cookie -> cookie.name)).doesNotContain("SESSION");
    }

    @Test
    void nothingIsWrittenWithoutATokenOrAGrantOrWhereItIsNotOffered() throws Exception {
        HttpRequest bare = HttpRequest.newBuilder(URI.create(address(ADD)))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString("v.name=Forged&was.name=")).build();
        assertThat(send(bare).statusCode()).isEqualTo(403);
        HttpResponse<String> form = get("/sign-in");
        String cookie = form.headers().firstValue("Set-Cookie").orElseThrow().split(";")[0];
        String token = HiddenInput.of(form.body(), "_csrf");
        for (String path : List.of(ADD, "/listings/sheaves/rows/1/change", "/listings/sheaves/rows/1/remove",
                "/listings/sheaves/undo", "/listings/trees/rows/add", "/listings/trees/rows/1/remove", "/listings/none/rows/add")) {
            HttpResponse<String> answer = send(HttpRequest.newBuilder(URI.create(address(path))).header("Cookie", cookie)
                    .header("Content-Type", "application/x-www-form-urlencoded").POST(HttpRequest.BodyPublishers.ofString(
                            "_csrf=" + token + "&v.name=Forged&was.name=&act=1")).build());
            assertThat(answer.statusCode()).as(path + answer.body()).isIn(200, 302, 404);
        }
        assertThat(editing.find(SHEAVES, new RowId(1))).isEmpty();
        assertThat(editing.find(new TableKey("trees"), new RowId(1))).isPresent();
    }
}
