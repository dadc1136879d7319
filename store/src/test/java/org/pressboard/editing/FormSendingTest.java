package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Bounds;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.undo.Undo;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

class FormSendingTest extends StoreTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey DAY = new FieldKey("day");
    private static final FieldKey LEFT = new FieldKey("left");
    private static final FieldKey APPROVED = new FieldKey("approved");

    @Autowired
    private TableChanges changes;

    @Autowired
    private Rejections rejections;

    @Autowired
    private Undo undo;

    @Autowired
    private RowEditing editing;

    @Autowired
    private FormSending sending;

    @Autowired
    private VisitorEditing visiting;

    @Autowired
    private Approvals approvals;

    private Table guests;
    private Form form;
    private RowId first;
    private RowId second;

    @BeforeEach
    void make() {
        Table days = changes.make("Days", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(LEFT, "Left", new Numeric.WholeNumber(false)))), OWNER);
        first = editing.add(days.key(), Map.of(NAME, Value.of("First"), LEFT, Value.of(3)), OWNER).row();
        second = editing.add(days.key(), Map.of(NAME, Value.of("Second"), LEFT, Value.of(0)), OWNER).row();
        guests = changes.make("Guests", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(DAY, "Day", new Referring.Reference(days.key(), Referring.OnRemoval.REFUSE)),
                new Field(APPROVED, "Approved", new FieldType.YesNo()))), OWNER);
        publisher.grant(days.key(), Grants.NONE);
        publisher.open(days.key(), org.pressboard.grant.Openness.EVERYONE);
        publisher.grant(guests.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.ADD, Condition.ALWAYS),
                Grant.everyoneSeesAll())));
        form = Form.plain(new FormKey("come"), guests.key(), "Come").asking(List.of(Question.of(NAME), Question.of(DAY)));
    }

    private RowEditing.Added send(Form what, String sender, RowId day) {
        return sending.send(Visitor.ANYONE, sender, new Page(new PageKey("page"), "Page", List.of()), what, Map.of(NAME, Value.of(sender), DAY,
                new Value.Referred(day, "")), OWNER);
    }

    private long rows() {
        return sql.fetchCount(org.jooq.impl.DSL.table(org.jooq.impl.DSL.name("hosted", guests.key().name())));
    }

    @Test
    void itIsSentSoOftenByOnePersonForOneAnswer() {
        Form once = form.within(Bounds.each(1, DAY));
        send(once, "browser:a", first);
        assertThatThrownBy(() -> send(once, "browser:a", first)).isInstanceOf(ProblemsFound.class)
                .hasMessageContaining("form.once-alike");
        send(once, "browser:a", second);
        send(once, "browser:b", first);
        assertThat(rows()).isEqualTo(3);
        assertThat(sending.against(form.within(Bounds.each(1, null)), "page/come", "browser:a")).isPresent();
        assertThat(sending.against(form.within(Bounds.each(1, null)), "page/come", "")).isEmpty();
        assertThat(sending.against(form.within(Bounds.each(1, null)), "page/other", "browser:a")).isEmpty();
    }

    @Test
    void nobodyIsTakenWhereNoRoomIsLeft() {
        Form bounded = form.within(Bounds.NONE.whileRoom(DAY.through(LEFT)));
        send(bounded, "browser:a", first);
        assertThatThrownBy(() -> send(bounded, "browser:a", second)).isInstanceOf(ProblemsFound.class)
                .hasMessageContaining("form.no-room");
    }

    @Test
    void manyAtOnceGetNoMorePlacesThanThereAre() throws Exception {
        Form five = form.within(new Bounds(null, null, 5, null, null, null));
        List<Callable<Boolean>> tries = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            String who = "browser:" + i;
            tries.add(() -> {
                try {
                    send(five, who, first);
                    return true;
                } catch (ProblemsFound full) {
                    return false;
                }
            });
        }
        int taken = 0;
        try (ExecutorService people = Executors.newFixedThreadPool(8)) {
            for (Future<Boolean> each : people.invokeAll(tries)) {
                taken += each.get() ? 1 : 0;
            }
        }
        assertThat(taken).isEqualTo(5);
        assertThat(rows()).isEqualTo(5);
    }

    @Test
    void whatIsSentWaitsAndNobodyElseSeesItUntilItIsLetThrough() {
        changes.change(catalog.tables().get(guests.key()).approvedBy(APPROVED), OWNER);
        RowEditing.Added added = visiting.add(Visitor.member("mira@example.org"), guests.key(), Map.of(NAME, Value.of("Mira"),
                APPROVED, Value.of(true)), OWNER);
        assertThat(seen()).isZero();
        assertThat(editing.find(guests.key(), added.row()).orElseThrow().find(APPROVED)).contains(Value.of(false));
        RowEditing.Added other = visiting.add(Visitor.member("tomas@example.org"), guests.key(), Map.of(NAME, Value.of("Tomas")), OWNER);
        List<RowId> both = List.of(added.row(), other.row());
        assertThat(approvals.senders(catalog.tables().get(guests.key()), both)).isEqualTo(Map.of(added.row(), "mira@example.org",
                other.row(), "tomas@example.org"));
        assertThat(approvals.letThrough(guests.key(), both, OWNER).orElseThrow().rows()).isEqualTo(both);
        assertThat(seen()).isEqualTo(2);
        // somebody else has decided by then
        assertThat(approvals.letThrough(guests.key(), both, OWNER)).isEmpty();
        assertThat(approvals.turnAway(guests.key(), Map.of(both.getFirst(), "", both.getLast(), ""), "", OWNER)).isEmpty();
        assertThat(seen()).isEqualTo(2);
    }

    /** As its owner says of the form; what else is added to the table waits as before. */
    @Test
    void whatAFormSendsNeedNotWait() {
        changes.change(catalog.tables().get(guests.key()).approvedBy(APPROVED), OWNER);
        send(form, "browser:a", first);
        assertThat(seen()).isZero();
        RowEditing.Added added = send(form.seenAtOnce(true), "browser:b", first);
        assertThat(seen()).isOne();
        assertThat(editing.find(guests.key(), added.row()).orElseThrow().find(APPROVED)).contains(Value.of(true));
    }

    @Test
    void whatIsTurnedAwayIsGoneAndItsSenderReadsWhy() {
        changes.change(catalog.tables().get(guests.key()).approvedBy(APPROVED), OWNER);
        RowEditing.Added added = visiting.add(Visitor.ANYONE, guests.key(), Map.of(NAME, Value.of("Who")), OWNER);
        approvals.turnAway(guests.key(), Map.of(added.row(), "Who"), "Too late.", OWNER);
        assertThat(rows()).isZero();
        RowEditing.Added mine = visiting.add(Visitor.member("mira@example.org"), guests.key(), Map.of(NAME, Value.of("Mira")), OWNER);
        long act = approvals.turnAway(guests.key(), Map.of(mine.row(), "Mira"), "Too late.", OWNER).orElseThrow().act();
        assertThat(rejected("tomas@example.org")).isEmpty();
        Rejections.Rejection one = rejected("mira@example.org").getFirst();
        assertThat(one.called() + ": " + one.words()).isEqualTo("Mira: Too late.");
        rejections.putAway(one.number(), "tomas@example.org");
        assertThat(rejected("mira@example.org")).hasSize(1);
        undo.undo(guests.key(), act, OWNER);
        assertThat(rejected("mira@example.org")).isEmpty();
        approvals.turnAway(guests.key(), Map.of(mine.row(), "Mira"), "", OWNER);
        rejected("mira@example.org").forEach(each -> rejections.putAway(each.number(), "mira@example.org"));
        assertThat(rejected("mira@example.org")).isEmpty();
    }

    private List<Rejections.Rejection> rejected(String sender) {
        return rejections.of(sender, List.of(catalog.tables().get(guests.key())));
    }

    private int seen() {
        return visiting.may(Visitor.ANYONE, Verb.SEE, guests.key(), sql.fetch("select row_id from hosted." + guests.key())
                .map(found -> new RowId(found.get(0, Long.class)))).size();
    }
}
