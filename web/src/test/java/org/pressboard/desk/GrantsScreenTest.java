package org.pressboard.desk;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Access;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;
import org.pressboard.member.Members;
import org.pressboard.site.WithTables;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** Who may do what with which rows, as it is said at the desk and felt on the pages. */
class GrantsScreenTest extends WithTables {

    private static final TableKey NOTES = new TableKey("notes");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey WRITER = new FieldKey("writer");
    private static final FieldKey KIND = new FieldKey("kind");
    private static final PageKey PAGE = new PageKey("notes");

    @Autowired
    private Members members;

    @BeforeEach
    void makeTheTable() {
        Table notes = changes.make("Notes", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(WRITER, "Writer", new Referring.Person(new TableKey("members"), Referring.OnRemoval.CLEAR)),
                new Field(KIND, "Kind", Chosen.Choice.of(List.of("open", "quiet"))))), OWNER);
        note("Of Mira, quiet", "mira", "quiet");
        note("Of Mira, open", "mira", "open");
        note("Of Tomas", "tomas", "quiet");
        editing.add(NOTES, Map.of(NAME, Value.of("Of nobody"), KIND, Value.of("open")), OWNER);
        publish(PAGE, "Notes", Listing.plain(new ListingKey("notes"), notes.key(), List.of(NAME, KIND))
                .takenAwayAs(Set.of(TakeAway.CSV)).with(Changing.NOTHING.with(false, true, false)));
    }

    private void note(String name, String writer, String kind) {
        RowId row = members.find(writer + "@example.org").orElseThrow().id();
        editing.add(NOTES, Map.of(NAME, Value.of(name), WRITER, new Value.Referred(row, ""), KIND, Value.of(kind)), OWNER);
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(NOTES);
        catalog.groups().stream().filter(group -> group.label().equals("Readers"))
                .forEach(group -> publisher.removeGroup(group.key()));
    }

    @Test
    void eachSeesOnlyTheirOwnByOneChoice() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables/notes/access"));
        assertThat(owner.locator(".grants .note-warn")).containsText("only staff can see any");
        button(owner, "Each sees and changes only their own").click();
        assertThat(owner.locator("[data-opens=members-see]")).hasText("their own");
        assertThat(owner.locator(".own-panel")).containsText("3 of 4 rows are somebody’s.");
        assertThat(violations(owner)).isEmpty();
        assertThat(rowsOf(signedIn("mira@example.org"))).containsExactlyInAnyOrder("Of Mira, open", "Of Mira, quiet");
        assertThat(rowsOf(signedIn("tomas@example.org"))).containsExactly("Of Tomas");
        assertThat(get("/notes").statusCode()).isEqualTo(404);
        assertThat(rowsOf(owner)).hasSize(4);
        // publishing again leaves the grants be
        owner.navigate(address("/desk/pages/notes"));
        assertThat(owner.getByLabel("As its grants say")).isChecked();
        assertThat(catalog.published().openness(NOTES)).isEqualTo(Openness.AS_GRANTED);
    }

    /** It is left out by itself; who lets it in has read what it gives, and sees that they did. */
    @Test
    void aFieldThatDecidesWhoBelongsToAGroupIsNamedWhereItIsGranted() {
        TableKey people = new TableKey("members");
        Grants before = catalog.grants(people);
        try {
            publisher.grant(people, new Grants(List.of(Grant.ofOwn(Audience.MEMBERS, Verb.SEE), Grant.ofOwn(Audience.MEMBERS, Verb.CHANGE))));
            Page owner = signedIn("owner@example.org");
            owner.navigate(address("/desk/tables/members/access"));
            Locator word = owner.locator("[data-opens=members-change]");
            assertThat(word).hasText("their own, without Group");
            word.click();
            Locator panel = owner.locator("[data-panel=members-change]");
            assertThat(panel).containsText("decides who belongs to Stewards, Keepers, Pickers. Without the tick, people put themselves there");
            panel.locator("[value=group]").uncheck();
            assertThat(word).hasText("their own");
            assertThat(owner.locator(".grant-warning")).containsText("Group decides who belongs to Stewards, Keepers, Pickers, and these people can write it.");
            assertThat(catalog.grants(people).find(Audience.MEMBERS, Verb.CHANGE).orElseThrow().letting())
                    .containsExactly(new FieldKey("group"));
            panel.locator("[value=group]").check();
            assertThat(word).hasText("their own, without Group");
            assertThat(violations(owner)).isEmpty();
        } finally {
            publisher.grant(people, before);
        }
    }

    /** A reference to rows that visitors may not see looks empty; one click shows what they are called, and nothing else. */
    @Test
    void whatLooksEmptyIsSaidWhereItIsPublished() {
        drafts.change(PAGE, "owner", page -> page.with(List.of(Listing.plain(new ListingKey("notes"), NOTES,
                List.of(NAME, WRITER)))));
        publisher.publish(PAGE, Map.of(NOTES, Openness.EVERYONE), null);
        assertThat(get("/notes").body()).contains("Of Tomas").doesNotContain("Tomas Veit");
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/pages/notes"));
        assertThat(owner.locator("main")).containsText("Visitors see “–” for Writer, because they cannot see the rows of Members.");
        // and in the sieve, through the eyes of whoever is chosen there
        owner.navigate(address("/desk/pages/notes/notes/sieve?as=anyone"));
        assertThat(owner.locator("body")).containsText("They see “–” for Writer, because they cannot see the rows of Members.");
        owner.navigate(address("/desk/pages/notes"));
        button(owner, "Show just the names").click();
        assertThat(owner.locator("main")).containsText("Everybody who sees Writer now sees what its rows are called, and nothing else of them.");
        assertThat(button(owner, "Show just the names")).hasCount(0);
        assertThat(get("/notes").body()).contains("Tomas Veit").doesNotContain("tomas@example.org");
        owner.navigate(address("/desk/pages/notes/notes/sieve?as=anyone"));
        assertThat(owner.locator("body")).not().containsText("They see");
    }

    /** Whoever publishes says who may see; who may add, change and remove is as it was. Each answer is told as it is. */
    @Test
    void publishingChangesOnlyWhoMaySee() {
        List<Grant> others = List.of(new Grant(Audience.MEMBERS, Verb.ADD, Condition.ALWAYS),
                Grant.ofOwn(Audience.MEMBERS, Verb.CHANGE).leavingOut(Set.of(KIND)), Grant.ofOwn(Audience.MEMBERS, Verb.REMOVE));
        List<Grant> all = new ArrayList<>(List.of(Grant.ofOwn(Audience.MEMBERS, Verb.SEE).leavingOut(Set.of(KIND)),
                new Grant(Audience.those(new GroupKey("stewards")), Verb.SEE, Condition.ALWAYS)));
        all.addAll(others);
        publisher.grant(NOTES, new Grants(all));
        drafts.change(PAGE, "owner", page -> page.holding(List.of(Form.plain(new FormKey("note"), NOTES, "Write a note"))));
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/pages/notes"));
        Locator panel = owner.locator(".panel-publish");
        assertThat(panel).containsText("As its grants say Members: their own, without Kind; Stewards: all");
        assertThat(panel).containsText("Who can add, change and remove stays as it is.");
        assertThat(violations(owner)).isEmpty();
        publishAgain(owner, "AS_GRANTED", "The rows of Notes are seen as its grants say: Members: their own, without "
                + "Kind; Stewards: all.");
        assertThat(catalog.grants(NOTES).all()).containsExactlyInAnyOrderElementsOf(all);
        publishAgain(owner, "MEMBERS", "Members see the rows of Notes; visitors who are not signed in do not.");
        assertThat(catalog.published().openness(NOTES)).isEqualTo(Openness.MEMBERS);
        publishAgain(owner, "NOBODY", "Only staff see the rows of Notes.");
        publishAgain(owner, "EVERYONE", "Everyone sees the rows of Notes.");
        assertThat(catalog.grants(NOTES).all()).containsAll(others).contains(Grant.everyoneSeesAll()).hasSize(4);
        assertThat(signedIn("mira@example.org").navigate(address("/notes/send/note")).status()).isEqualTo(200);

        publisher.grant(NOTES, Grants.NONE);
        drafts.change(PAGE, "owner", page -> page.letting(new Access(List.of(Audience.those(new GroupKey("stewards"))),
                Access.Otherwise.NOT_THERE, "")).changing("sheet-notes", part -> part.forThose(List.of(Audience.MEMBERS))));
        publishAgain(owner, "NOBODY", "Only these can open it: Stewards. Only staff see the rows of Notes. The listing Notes "
                + "is only for: Members. Nobody can fill in the form Write a note, because nobody can add rows to Notes. "
                + "Everybody but staff gets “not published” until you let somebody see the rows.");
    }

    private static void publishAgain(Page owner, String whoSees, String told) {
        owner.reload();
        owner.locator(".panel-publish input[value=" + whoSees + "]").check();
        button(owner, "Publish again").click();
        assertThat(owner.locator(".note-good")).containsText("/notes. " + told);
    }

    @Test
    void rowsAreOpenedByWhatIsSoOfThemAndToGroups() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/members"));
        owner.getByLabel("Name of a new group").fill("Readers");
        button(owner, "Add a group").click();
        owner.waitForURL(address("/desk/members/groups/readers"));
        choose(owner, "#group-who-new-field", "group");
        owner.locator("#group-who-new-value-0").selectOption("keepers");
        button(owner, "Add").click();
        assertThat(owner.locator(".lead")).containsText("4 right now: those where Group is keepers");
        owner.locator("#group-hands").fill("Tomas");
        owner.locator(".found-rows").getByLabel("Tomas Veit").check();
        button(owner, "Add them").click();
        assertThat(owner.locator(".lead")).containsText("1 added one by one");
        assertThat(violations(owner)).isEmpty();

        owner.navigate(address("/desk/tables/notes/access"));
        open(owner, "group-readers-see").getByLabel("rows that meet conditions").check();
        assertThat(owner.locator("[data-opens=group-readers-see]")).hasText("those where … (none yet)");
        choose(owner, "#group-readers-see-new-field", "kind");
        owner.locator("#group-readers-see-new-value-0").selectOption("open");
        button(owner, "Add").click();
        assertThat(owner.locator("[data-opens=group-readers-see]")).hasText("those where Kind is open");
        assertThat(owner.locator("td:has([data-opens=group-readers-see]) small")).hasText("2 rows");
        assertThat(violations(owner)).isEmpty();
        assertThat(rowsOf(signedIn("tomas@example.org"))).containsExactlyInAnyOrder("Of Mira, open", "Of nobody");
        assertThat(rowsOf(signedIn("bashir@example.org"))).hasSize(2);
        assertThat(get("/notes").statusCode()).isEqualTo(404);

        owner.navigate(address("/desk/members?called=Tomas"));
        link(owner, "Tomas Veit").click();
        assertThat(owner.locator("main")).containsText("Readers");
        Locator line = owner.locator("tbody tr").filter(new Locator.FilterOptions().setHasText("Notes"));
        assertThat(line.locator("td")).hasText(new String[] {"2", "none", "none", "none"});
        assertThat(violations(owner)).isEmpty();
    }

    /** What is left out is no column, no filter, no cell of what is taken away, and no field to fill in. */
    @Test
    void fieldsAreLeftOutOfWhatPeopleMaySeeAndChange() {
        changes.change(catalog.table(NOTES).orElseThrow().ownedBy(WRITER), OWNER);
        publisher.grant(NOTES, new Grants(List.of(Grant.everyoneSeesAll(), Grant.ofOwn(Audience.MEMBERS, Verb.CHANGE))));
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables/notes/access"));
        open(owner, "everyone-see").getByLabel("Kind").check();
        assertThat(owner.locator("[data-opens=everyone-see]")).hasText("all, without Kind");
        open(owner, "members-see").getByLabel("their own rows").check();
        assertThat(owner.locator("[data-opens=members-see]")).hasText("their own");
        assertThat(violations(owner)).isEmpty();

        Page anyone = desktop();
        anyone.navigate(address("/notes"));
        assertThat(anyone.locator(".table thead")).containsText("Name");
        assertThat(anyone.locator(".table thead")).not().containsText("Kind");
        assertThat(get("/listings/notes/rows.csv").body()).isEqualTo("Name\r\n\"Of Mira, quiet\"\r\n"
                + "\"Of Mira, open\"\r\nOf Tomas\r\nOf nobody\r\n");
        assertThat(get("/notes?f.kind=quiet").body()).contains("Of nobody").contains("That part was ignored");

        Page mira = signedIn("mira@example.org");
        mira.navigate(address("/notes"));
        assertThat(mira.locator(".table tbody tr").filter(new Locator.FilterOptions().setHasText("Of Mira, quiet")))
                .containsText("quiet");
        assertThat(mira.locator(".table tbody tr").filter(new Locator.FilterOptions().setHasText("Of Tomas")).locator("td").nth(1))
                .not().containsText("quiet");
        mira.navigate(address("/listings/notes/rows/1/change"));
        assertThat(mira.getByLabel("Kind")).isVisible();
        owner.reload();
        open(owner, "members-change").getByLabel("Kind").check();
        assertThat(owner.locator("[data-opens=members-change]")).hasText("their own, without Kind");
        mira.getByLabel("Kind").selectOption("open");
        button(mira, "Save").click();
        assertThat(mira.locator("main")).containsText("You cannot change Kind here");
        mira.navigate(address("/listings/notes/rows/1/change"));
        assertThat(mira.getByLabel("Name")).isVisible();
        assertThat(mira.getByLabel("Kind")).hasCount(0);
    }

    /** The owner sees the draft as anybody before anybody does. */
    @Test
    void theDraftIsSeenAsAnybody() {
        publisher.grant(NOTES, new Grants(List.of(Grant.ofOwn(Audience.MEMBERS, Verb.SEE),
                new Grant(Audience.those(new GroupKey("stewards")), Verb.SEE, Condition.ALWAYS))));
        changes.change(catalog.table(NOTES).orElseThrow().ownedBy(WRITER), OWNER);
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/pages/notes/notes"));
        waitForScripts(owner);
        FrameLocator proof = owner.frameLocator("iframe");
        assertThat(proof.locator(".table tbody tr")).hasCount(4);
        owner.locator("#seen-by").selectOption("?");
        owner.locator("#seen-member").fill("Tomas Veit");
        owner.keyboard().press("Enter");
        assertThat(proof.locator(".table tbody tr")).hasCount(1);
        assertThat(proof.locator(".table tbody")).containsText("Of Tomas");
        assertThat(proof.locator(".who-name")).hasText("Tomas Veit");
        assertThat(proof.locator(".tabs")).not().containsText("Tool repairs");
        assertThat(owner.locator(".sieve tbody tr").nth(1).locator(".number")).hasText("1");
        owner.locator("#seen-by").selectOption("group:stewards");
        assertThat(proof.locator(".table tbody tr")).hasCount(4);
        owner.locator("#seen-by").selectOption("anyone");
        assertThat(proof.locator(".note-warn")).hasText("They cannot see any row of Notes.");
        assertThat(proof.locator(".who")).hasText("Sign in");
        assertThat(owner.locator(".sieve .note-warn")).containsText("They cannot see any row of Notes.");
        assertThat(violations(owner)).isEmpty();
        owner.locator("#seen-by").selectOption("");
        assertThat(proof.locator(".table tbody tr")).hasCount(4);
    }

    /** Whoever is no member any more is nobody with their next request. */
    @Test
    void whoeverIsRemovedFromTheMembersIsSignedOut() {
        publisher.open(NOTES, Openness.MEMBERS);
        TableKey table = new TableKey("members");
        RowId row = members.find("pavel@example.org").orElseThrow().id();
        Page pavel = signedIn("pavel@example.org");
        assertThat(rowsOf(pavel)).hasSize(4);
        Value address = editing.find(table, row).orElseThrow().find(new FieldKey("e_mail")).orElseThrow();
        editing.change(table, row, Map.of(new FieldKey("e_mail"), java.util.Optional.of(address)),
                Map.of(new FieldKey("e_mail"), java.util.Optional.of(Value.of("pavel@elsewhere.example"))), OWNER);
        pavel.reload();
        assertThat(pavel.locator("main")).not().containsText("Of Tomas");
        editing.change(table, row, Map.of(new FieldKey("e_mail"), java.util.Optional.of(Value.of("pavel@elsewhere.example"))),
                Map.of(new FieldKey("e_mail"), java.util.Optional.of(address)), OWNER);
        forgiveConsole("404");
    }

    @Test
    void aRemovedFieldOpensNothing() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables/notes/access"));
        open(owner, "everyone-see").getByLabel("rows that meet conditions").check();
        choose(owner, "#everyone-see-new-field", "kind");
        owner.locator("#everyone-see-new-value-0").selectOption("open");
        button(owner, "Add").click();
        assertThat(owner.locator("[data-opens=everyone-see]")).hasText("those where Kind is open");
        assertThat(get("/notes").body()).contains("Of nobody").doesNotContain("Of Tomas");
        changes.removeField(NOTES, KIND, OWNER);
        assertThat(get("/notes").body()).doesNotContain("Of nobody");
        assertThat(catalog.published().grants().get(NOTES).all()).extracting(grant -> grant.verb()).isEqualTo(List.of(Verb.SEE));
        assertThat(Set.copyOf(catalog.published().listingsOf(NOTES, org.pressboard.grant.Visitor.ANYONE))).hasSize(1);
    }

    private static Locator open(Page page, String word) {
        waitForScripts(page);
        page.locator("[data-opens='" + word + "']").click();
        Locator panel = page.locator("[data-panel='" + word + "']");
        assertThat(panel).isVisible();
        return panel;
    }

    private static void choose(Page page, String select, String value) {
        waitForScripts(page);
        page.locator(select).selectOption(value);
        assertThat(page.locator(select.replace("-field", "-is"))).isVisible();
    }

    private List<String> rowsOf(Page page) {
        page.navigate(address("/notes"));
        return column(page, 0);
    }
}
