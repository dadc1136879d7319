package org.pressboard.signin;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Site;
import org.pressboard.history.Author;
import org.pressboard.mail.Outbox;
import org.pressboard.schema.TableChanges;
import org.pressboard.site.InBrowser;
import org.pressboard.table.Field;
import org.pressboard.table.TableKey;
import org.pressboard.testing.Eventually;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Coming in by links, and leaving everywhere. */
class EntryTest extends InBrowser {

    @Autowired
    private Outbox outbox;

    @Autowired
    private FindByIndexNameSessionRepository<?> kept;

    @Autowired
    private Catalog catalog;

    @Autowired
    private Accounts accounts;

    @Autowired
    private TableChanges changes;

    @Autowired
    private PasswordEncoder passwords;

    @Autowired
    private JdbcTemplate database;

    @Autowired
    private PlatformTransactionManager transactions;

    private String linkTo(String email) {
        Eventually.holds(() -> outbox.latest(null, 20).stream().anyMatch(each -> each.letter().to().equals(email)));
        String body = outbox.latest(null, 20).stream().filter(each -> each.letter().to().equals(email)).findFirst()
                .orElseThrow().letter().body();
        Matcher link = Pattern.compile("/sign-in/enter\\S+").matcher(body);
        assertThat(link.find()).isTrue();
        return address(link.group());
    }

    private void addPerson(String name, String email) {
        catalog.suggestAddress(address(""));
        accounts.add(email, name, passwords.encode("quillbrook"), Account.Role.EDITOR);
    }

    private void update(String statement) {
        new TransactionTemplate(transactions).executeWithoutResult(status -> database.update(statement));
    }

    private void ask(Page page, String email) {
        page.navigate(address("/sign-in?to=%2Ftrees%3Fsize%3D10"));
        page.getByLabel("Send it to").fill(email);
        button(page, "Send the link").click();
        assertThat(page.locator(".note-good")).containsText("an e-mail with a link is on its way");
    }

    @Test
    void aLinkSignsInOnceAndGoesOnToWhatWasAskedFor() {
        addPerson("Perpetua Lark", "perpetua@example.org");
        Page page = desktop();
        ask(page, "Perpetua@example.org");
        String link = linkTo("perpetua@example.org");
        page.navigate(link);
        assertThat(page.locator("main")).containsText("For perpetua@example.org");
        button(page, "Sign in").click();
        assertThat(page).hasURL(address("/trees?size=10"));
        assertThat(page.locator(".who")).containsText("Perpetua Lark");
        Page other = desktop();
        other.navigate(link);
        assertThat(other.locator("h1")).hasText("This link does not work any more");
    }

    @Test
    void aLinkIsGoodForFifteenMinutes() {
        addPerson("Ambrose Finch", "ambrose@example.org");
        Page page = desktop();
        ask(page, "ambrose@example.org");
        String link = linkTo("ambrose@example.org");
        update("update pressboard.entry_link set expires_at = expires_at - interval '15 minutes' "
                + "where email = 'ambrose@example.org'");
        page.navigate(link);
        assertThat(page.locator("h1")).hasText("This link does not work any more");
    }

    @Test
    void whoIsNotKnownGetsTheSameAnswerAndNoLetter() {
        addPerson("Known Person", "known@example.org");
        Page page = desktop();
        ask(page, "unheard-of@example.org");
        String answer = page.locator("main").innerText().replace("unheard-of", "known");
        ask(page, "known@example.org");
        assertThat(page.locator("main").innerText()).isEqualTo(answer);
        linkTo("known@example.org");
        assertThat(outbox.latest(null, 50)).noneMatch(each -> each.letter().to().equals("unheard-of@example.org"));
    }

    @Test
    void aForgottenPasswordIsSetAnewAndOthersAreSignedOut() {
        addPerson("Cordelia Wren", "cordelia@example.org");
        Page elsewhere = signedIn("cordelia@example.org");
        Page page = desktop();
        page.navigate(address("/sign-in"));
        link(page, "Forgotten password").click();
        page.getByLabel("E-mail address").fill("cordelia@example.org");
        button(page, "Send the link").click();
        page.navigate(linkTo("cordelia@example.org"));
        page.getByLabel("A password of at least 10 characters").fill("short but not");
        button(page, "Set it and sign in").click();
        assertThat(page.locator(".who")).containsText("Cordelia Wren");
        elsewhere.reload();
        assertThat(elsewhere.locator(".who")).containsText("Sign in");
        assertThat(passwords.matches("short but not", accounts.find("cordelia@example.org").orElseThrow().passwordHash()))
                .isTrue();
    }

    @Test
    void onesPasswordIsChangedAndOneStaysButNobodyElse() {
        addPerson("Quentin Ash", "quentin@example.org");
        Page elsewhere = signedIn("quentin@example.org");
        Page page = signedIn("quentin@example.org");
        page.navigate(address("/members/account"));
        assertThat(violations(page)).isEmpty();
        page.getByLabel("Current password").fill("wrong one here");
        page.getByLabel("A password of at least 10 characters").fill("a better one now");
        button(page, "Change it").click();
        assertThat(page.locator(".note-warn")).hasText("That is not your current password.");
        page.getByLabel("Current password").fill("quillbrook");
        page.getByLabel("A password of at least 10 characters").fill("a better one now");
        button(page, "Change it").click();
        assertThat(page.locator(".note-good")).containsText("The new password is set");
        elsewhere.reload();
        assertThat(elsewhere.locator(".who")).containsText("Sign in");
        button(page, "Sign out everywhere").click();
        assertThat(page.locator(".note")).hasText("You are signed out.");
    }

    @Test
    void oneSeesWhereOneIsSignedInAndSignsOutThere() {
        addPerson("Una Fell", "una@example.org");
        Page elsewhere = signedIn("una@example.org");
        Page page = signedIn("una@example.org");
        page.navigate(address("/members/account"));
        Locator lines = page.locator(".sessions li");
        assertThat(lines).hasCount(2);
        assertThat(lines.first()).containsText("Chrome, Linux");
        assertThat(lines.first()).containsText("here");
        assertThat(lines.first().locator("button")).hasCount(0);
        button(page, "Sign out there").click();
        assertThat(page.locator(".note-good")).hasText("You are signed out there.");
        assertThat(lines).hasCount(1);
        elsewhere.reload();
        assertThat(elsewhere.locator(".who")).containsText("Sign in");
    }

    @Test
    void oneIsSignedInAtFiftyPlacesAtMost() {
        addPerson("Ivo Marsh", "ivo@example.org");
        Account ivo = accounts.find("ivo@example.org").orElseThrow();
        for (int i = 0; i < OwnSessions.MOST; i++) {
            begin(kept, ivo);
        }
        Page page = signedIn("ivo@example.org");
        page.navigate(address("/members/account"));
        assertThat(page.locator(".sessions li")).hasCount(OwnSessions.MOST);
        assertThat(page.locator(".sessions li").first()).containsText("here");
    }

    private static <S extends Session> void begin(FindByIndexNameSessionRepository<S> kept, Account account) {
        S session = kept.createSession();
        session.setAttribute("signed-in", new SignedIn(account));
        kept.save(session);
    }

    @Test
    void anOpenSiteMakesAnAccountAndARowOfWhoeverAsks() {
        catalog.suggestAddress(address(""));
        Site before = catalog.site();
        assertThat(get("/sign-in/join").body()).doesNotContain("Become a member</h1>");
        catalog.changeSite(before.openTo(Site.SignUp.OPEN));
        requirePhone(true);
        try {
            Page page = desktop();
            page.navigate(address("/sign-in"));
            link(page, "Become a member").click();
            page.getByLabel("Your name").fill("Hester Vale");
            page.getByLabel("E-mail address").fill("hester@example.org");
            button(page, "Send the link").click();
            page.navigate(linkTo("hester@example.org"));
            page.getByLabel("A password of at least 10 characters").fill("hester and apples");
            button(page, "Make the account").click();
            assertThat(page.locator(".control-problem")).isVisible();
            page.getByLabel("Phone").fill("+44 113 496 0000");
            page.getByLabel("A password of at least 10 characters").fill("hester and apples");
            button(page, "Make the account").click();
            assertThat(page.locator(".who")).containsText("Hester Vale");
            assertThat(violations(page)).isEmpty();
            assertThat(database.queryForObject("select count(*) from hosted.members where e_mail = 'hester@example.org'",
                    Integer.class)).isEqualTo(1);
        } finally {
            update("delete from hosted.members where e_mail = 'hester@example.org'");
            update("delete from pressboard.account where email = 'hester@example.org'");
            catalog.changeSite(before);
            requirePhone(false);
        }
    }

    private void requirePhone(boolean need) {
        TableKey members = new TableKey("members");
        Field phone = catalog.table(members).orElseThrow().field(new FieldKey("phone"));
        changes.changeField(members, phone.with(phone.rules().requiring(need)), new Author(null, "", Author.Origin.DESK));
    }

    @Test
    void anOwnerInvitesAnEditorForRowsOnly() {
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/members/staff"));
        assertThat(violations(owner)).isEmpty();
        owner.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Barnaby Reed");
        owner.getByLabel("E-mail", new Page.GetByLabelOptions().setExact(true)).fill("barnaby@example.org");
        owner.locator("form.panel select").selectOption("ROW_EDITOR");
        button(owner, "Send an invitation").click();
        assertThat(owner.locator(".note-good")).containsText("in the outbox");
        Page page = desktop();
        page.navigate(linkTo("barnaby@example.org"));
        page.getByLabel("A password of at least 10 characters").fill("reeds by the pond");
        button(page, "Make the account").click();
        page.navigate(address("/desk"));
        assertThat(page.locator(".tabs .tab")).hasCount(1);
        page.navigate(address("/desk/tables/trees"));
        assertThat(page.locator("h1")).containsText("Trees");
        for (String closed : new String[] {"/desk/pages", "/desk/tables/trees/fields", "/desk/tables/trees/access",
            "/desk/members", "/desk/settings", "/desk/log"}) {
            page.navigate(address(closed));
            assertThat(page.locator("h1")).hasText("Not for you");
        }
        forgiveConsole("403");
        owner.navigate(address("/desk/log"));
        assertThat(owner.locator("tbody")).containsText("was refused");
        assertThat(owner.locator("tbody")).containsText("barnaby@example.org");
        assertThat(violations(owner)).isEmpty();
        owner.navigate(address("/desk/log/letters"));
        owner.locator("summary", new Page.LocatorOptions().setHasText("barnaby@example.org")).click();
        assertThat(owner.locator(".letter-text").first()).containsText("you choose your password");
        assertThat(violations(owner)).isEmpty();
    }
}
