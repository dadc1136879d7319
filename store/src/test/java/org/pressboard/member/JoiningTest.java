package org.pressboard.member;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.EntryLink;
import org.pressboard.catalog.EntryLinks;
import org.pressboard.catalog.Site;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.editing.RowEditing;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** How people come to have an account, whatever else happens at the same moment. */
class JoiningTest extends StoreTest {

    private static final TableKey HANDS = new TableKey("hands");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey EMAIL = new FieldKey("e_mail");
    private static final FieldKey PHONE = new FieldKey("phone");
    private static final String IDA = "ida@example.org";

    @Autowired
    private Accounts accounts;

    @Autowired
    private EntryLinks links;

    @Autowired
    private Joining joining;

    @Autowired
    private Members members;

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    private Site before = new Site("-", "en");

    @BeforeEach
    void makeMembers() {
        before = catalog.site();
        Table hands = changes.make("Hands", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(EMAIL, "E-mail", new Textual.Email()),
                new Field(PHONE, "Phone", new Textual.Text()).with(Rules.NONE.requiring(true)))), OWNER);
        changes.change(hands.knownBy(NAME, null, EMAIL), OWNER);
        signUp(Site.SignUp.OPEN);
    }

    @AfterEach
    void removeMembers() {
        accounts.find(IDA).ifPresent(account -> accounts.remove(account.id()));
        links.withdraw(IDA);
        catalog.groups().forEach(group -> publisher.removeGroup(group.key()));
        publisher.remove(HANDS);
        catalog.changeSite(before);
    }

    private void signUp(Site.SignUp who) {
        catalog.changeSite(before.openTo(who));
    }

    private static EntryLink link(EntryLink.Purpose purpose, Account.Role role) {
        return new EntryLink(IDA, "Ida", purpose, role);
    }

    private Account use(String token) {
        return Objects.requireNonNull(inTransaction(() -> joining.join(links.useUp(token).orElseThrow(), "Ida", "hash",
                Map.of(PHONE, new Value.Text("0113")))));
    }

    @Test
    void whoJoinsGivesWhatTheirRowRequires() {
        assertThat(joining.required().asked()).extracting(Field::key).containsExactly(PHONE);
        use(links.make(link(EntryLink.Purpose.JOIN, Account.Role.MEMBER)));
        assertThat(members.find(IDA).orElseThrow().find(PHONE)).contains(new Value.Text("0113"));
    }

    /** Nobody joins a group by joining. */
    @Test
    void whatDecidesWhoBelongsToAGroupIsNotAsked() {
        publisher.keepGroup(new Group(new GroupKey("callers"), "Callers", Clause.fixed(PHONE, Comparison.IS,
                new Value.Text("0113")).condition(), Set.of()));
        assertThat(joining.required().asked()).isEmpty();
        assertThat(joining.required().never()).extracting(Field::key).containsExactly(PHONE);
        String token = links.make(link(EntryLink.Purpose.JOIN, Account.Role.MEMBER));
        assertThatThrownBy(() -> use(token)).isInstanceOf(ProblemsFound.class);
        assertThat(accounts.find(IDA)).isEmpty();
        assertThat(catalog.groups()).extracting(Group::rows).doesNotContain(Condition.NEVER);
    }

    @Test
    void norByTheNameTheyGive() {
        publisher.keepGroup(new Group(new GroupKey("idas"), "Idas", Clause.fixed(NAME, Comparison.IS, Value.of("Ida")).condition(),
                Set.of()));
        use(links.make(link(EntryLink.Purpose.JOIN, Account.Role.MEMBER)));
        assertThat(members.find(IDA).orElseThrow().find(NAME)).isEmpty();
    }

    @Test
    void nobodyJoinsAClosedSiteWhoeverIsListed() {
        editing.add(HANDS, Map.of(EMAIL, Value.of(IDA), PHONE, Value.of("1")), OWNER);
        String asked = links.make(link(EntryLink.Purpose.JOIN, Account.Role.MEMBER));
        signUp(Site.SignUp.CLOSED);
        assertThatThrownBy(() -> use(asked)).isInstanceOfSatisfying(ProblemsFound.class, refused ->
                assertThat(refused.problems().all().getFirst().code()).isEqualTo("account.closed"));
        assertThat(use(links.make(link(EntryLink.Purpose.INVITED, Account.Role.MEMBER))).role()).isEqualTo(Account.Role.MEMBER);
    }

    @Test
    void anInvitationIsKeptByWhomeverJoinsMeanwhile() {
        String invited = links.make(link(EntryLink.Purpose.INVITED, Account.Role.EDITOR));
        assertThat(use(links.make(link(EntryLink.Purpose.JOIN, Account.Role.MEMBER))).role()).isEqualTo(Account.Role.MEMBER);
        assertThat(links.waiting()).extracting(each -> each.link().role()).containsExactly(Account.Role.EDITOR);
        assertThat(use(invited).role()).isEqualTo(Account.Role.EDITOR);
        assertThat(links.waiting()).isEmpty();
    }

    /** Both at the same moment, again and again: the last of them finds the account, and whoever was invited is what they were to be. */
    @Test
    void bothAtOnceLoseNothing() {
        for (int i = 0; i < 20; i++) {
            String invited = links.make(link(EntryLink.Purpose.INVITED, Account.Role.EDITOR));
            String asked = links.make(link(EntryLink.Purpose.JOIN, Account.Role.MEMBER));
            CompletableFuture<?> one = CompletableFuture.supplyAsync(() -> use(invited));
            CompletableFuture<?> other = CompletableFuture.supplyAsync(() -> tryTo(asked));
            assertThat(CompletableFuture.allOf(one, other)).succeedsWithin(Duration.ofMinutes(1));
            assertThat(accounts.find(IDA).orElseThrow().role()).as("round %d", i).isEqualTo(Account.Role.EDITOR);
            accounts.remove(accounts.find(IDA).orElseThrow().id());
            links.withdraw(IDA);
        }
    }

    private Object tryTo(String asked) {
        try {
            return use(asked);
        } catch (ProblemsFound | NoSuchElementException late) {
            return late;
        }
    }

    @Test
    void anInvitationIsWithdrawn() {
        String token = links.make(link(EntryLink.Purpose.INVITED, Account.Role.EDITOR));
        assertThat(links.waiting()).hasSize(1);
        assertThat(links.withdrawInvitation(IDA)).isTrue();
        assertThat(links.find(token)).isEmpty();
        assertThat(links.withdrawInvitation(IDA)).isFalse();
    }
}
