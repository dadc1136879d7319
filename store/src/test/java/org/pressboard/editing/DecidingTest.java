package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.Name;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Group;
import org.pressboard.grant.GroupKey;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.member.Members;
import org.pressboard.problem.Problem;
import org.pressboard.scope.VisitorScope;
import org.pressboard.schema.TableChanges;
import org.pressboard.source.Hosted;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** Nobody puts themselves into a group by writing what it rests on, whatever they are granted and in whichever order. */
class DecidingTest extends StoreTest {

    private static final TableKey HANDS = new TableKey("hands");
    private static final TableKey HOURS = new TableKey("hours");
    private static final FieldKey EMAIL = new FieldKey("e_mail");
    private static final FieldKey CREW = new FieldKey("crew");
    private static final FieldKey HAND = new FieldKey("hand");
    private static final FieldKey LENGTH = new FieldKey("length");
    private static final FieldKey WORKED = new FieldKey("worked");
    private static final GroupKey STEWARDS = new GroupKey("stewards");
    private static final Value STEWARD = Value.of("steward");
    private static final Author PAGE = new Author(null, "Mira", Author.Origin.PAGE);

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private VisitorEditing visiting;

    @Autowired
    private Members members;

    @Autowired
    private VisitorScope scope;

    private RowId mira;

    @BeforeEach
    void makeTables() {
        Table hands = changes.make("Hands", new Fields(List.of(new Field(EMAIL, "E-mail", new Textual.Email()),
                new Field(CREW, "Crew", new Textual.Text()))), OWNER);
        changes.change(hands.knownBy(null, null, EMAIL), OWNER);
        mira = editing.add(HANDS, Map.of(EMAIL, Value.of("mira@example.org")), OWNER).row();
        changes.make("Hours", new Fields(List.of(
                new Field(HAND, "Hand", new Referring.Person(HANDS, Referring.OnRemoval.CLEAR)),
                new Field(LENGTH, "Length", new Numeric.WholeNumber(false)))), OWNER);
    }

    @AfterEach
    void removeTables() {
        publisher.removeGroup(STEWARDS);
        publisher.remove(HOURS, HANDS);
    }

    private void stewardsAre(Condition rows) {
        publisher.keepGroup(new Group(STEWARDS, "Stewards", rows, Set.of()));
    }

    private static Condition isCrew() {
        return Clause.fixed(CREW, Comparison.IS, STEWARD).condition();
    }

    private void membersMayChangeThemselves(Set<FieldKey> letting) {
        publisher.grant(HANDS, new Grants(List.of(Grant.ofOwn(Audience.MEMBERS, Verb.SEE),
                Grant.ofOwn(Audience.MEMBERS, Verb.CHANGE).letting(letting), new Grant(Audience.EVERYONE, Verb.ADD, Condition.ALWAYS))));
    }

    private RowEditing.Outcome change() {
        return visiting.change(member(), HANDS, mira, Map.of(CREW, Optional.empty()), Map.of(CREW, Optional.of(STEWARD)), PAGE);
    }

    private Visitor member() {
        return members.visitor(mira).orElseThrow();
    }

    private void assertNotTheirs() {
        assertThat(change()).isEqualTo(notTheirs(CREW, "Crew"));
        assertThat(visiting.add(Visitor.ANYONE, HANDS, Map.of(EMAIL, Value.of("nobody@example.org"), CREW, STEWARD), PAGE).outcome())
                .isEqualTo(notTheirs(CREW, "Crew"));
        assertThatThrownBy(this::changePastTheFirstLock).rootCause().hasMessageContaining("The grants leave out crew");
        assertThat(member().groups()).isEmpty();
    }

    private static RowEditing.Outcome notTheirs(FieldKey field, String label) {
        return new RowEditing.Outcome.Refused(Map.of(field, Problem.of("not-granted.field", label)));
    }

    private void changePastTheFirstLock() {
        Visitor member = member();
        Name hands = Hosted.name(catalog.table(HANDS).orElseThrow());
        inTransaction(() -> {
            scope.enter(member, member.at(Cases.midnight()));
            sql.execute("update {0} set crew = 'steward' where row_id = {1}", hands, DSL.val(mira));
        });
    }

    @Test
    void whatAGroupAsksIsNotTheirsToChange() {
        stewardsAre(isCrew());
        membersMayChangeThemselves(Set.of());
        assertNotTheirs();
    }

    @Test
    void norIfTheGroupCameAfterTheGrant() {
        membersMayChangeThemselves(Set.of());
        stewardsAre(isCrew());
        assertNotTheirs();
        stewardsAre(Condition.NEVER);
        assertThat(change()).isInstanceOf(RowEditing.Outcome.Done.class);
    }

    @Test
    void itIsWhereTheGrantExpresslySaysSo() {
        stewardsAre(isCrew());
        membersMayChangeThemselves(Set.of(CREW));
        assertThat(change()).isInstanceOf(RowEditing.Outcome.Done.class);
        assertThat(member().groups()).containsExactly(STEWARDS);
        assertThat(catalog.grants(HANDS).find(Audience.MEMBERS, Verb.CHANGE).orElseThrow().letting()).containsExactly(CREW);
    }

    /** What is counted of other tables' rows is not theirs to write there. */
    @Test
    void aTallyIsNotTheirsToRaise() {
        changes.addField(HANDS, Field.computed(WORKED, "Worked", new Computed.Tally(HOURS, HAND, Computed.Measure.SUM, LENGTH,
                Condition.ALWAYS, null, null, Computed.Floor.NONE)), OWNER);
        RowId hours = editing.add(HOURS, Map.of(HAND, new Value.Referred(mira, "")), OWNER).row();
        publisher.grant(HOURS, new Grants(List.of(Grant.everyoneSeesAll(), new Grant(Audience.MEMBERS, Verb.CHANGE, Condition.ALWAYS))));
        stewardsAre(Condition.compare(WORKED, Operator.AT_LEAST, Value.of(10L)));
        assertThat(visiting.change(member(), HOURS, hours, Map.of(LENGTH, Optional.empty()), Map.of(LENGTH, Optional.of(Value.of(12L))),
                PAGE)).isEqualTo(notTheirs(LENGTH, "Length"));
        assertThat(member().groups()).isEmpty();
    }
}
