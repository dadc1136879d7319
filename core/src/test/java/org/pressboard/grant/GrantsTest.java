package org.pressboard.grant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Operator;
import org.pressboard.condition.Standpoint;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class GrantsTest {

    private static final Visitor MEMBER = Visitor.member("mira@example.org");
    private static final Condition CIDER = Condition.compare(Cases.USE, Operator.EQUALS, Value.of("Cider"));

    @Test
    void withoutAGrantNobodyButStaffSeesAnything() {
        assertThat(Grants.NONE.decide(Visitor.ANYONE, Verb.SEE).isAllowed()).isFalse();
        assertThat(Grants.NONE.decide(MEMBER, Verb.SEE).rows()).isEqualTo(Condition.NEVER);
        assertThat(Grants.NONE.decide(Visitor.staff("owner@example.org"), Verb.SEE).rows()).isEqualTo(Condition.ALWAYS);
    }

    @Test
    void aRefusalSaysWhatIsMissing() {
        Decision decision = Grants.NONE.decide(MEMBER, Verb.SEE);
        assertThat(decision).isInstanceOfSatisfying(Decision.Refused.class,
                refused -> assertThat(refused.reason().code()).isEqualTo("not-granted.see"));
    }

    @Test
    void grantsAddUp() {
        Grants grants = new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, CIDER),
                new Grant(Audience.MEMBERS, Verb.SEE, Condition.isEmpty(Cases.RARE))));
        assertThat(grants.decide(Visitor.ANYONE, Verb.SEE).rows()).isEqualTo(CIDER);
        assertThat(grants.decide(MEMBER, Verb.SEE).rows())
                .isEqualTo(new Condition.Any(List.of(CIDER, Condition.isEmpty(Cases.RARE))));
    }

    @Test
    void allRowsOutweighSome() {
        Grants grants = new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, CIDER), Grant.everyoneSeesAll()));
        assertThat(grants.decide(Visitor.ANYONE, Verb.SEE).rows()).isEqualTo(Condition.ALWAYS);
    }

    /** Leaving a field out of one grant takes nothing from what another gives. */
    @Test
    void aFieldIsSeenInTheRowsOfTheGrantsThatDoNotLeaveItOut() {
        Grant all = Grant.everyoneSeesAll().leavingOut(Set.of(Cases.RARE, Cases.NAME));
        Grants grants = new Grants(List.of(all, new Grant(Audience.MEMBERS, Verb.SEE, CIDER).leavingOut(Set.of(Cases.NAME))));
        assertThat(grants.partly(Visitor.ANYONE, Verb.SEE)).isEqualTo(Map.of(Cases.RARE, Condition.NEVER, Cases.NAME,
                Condition.NEVER));
        assertThat(grants.partly(MEMBER, Verb.SEE)).isEqualTo(Map.of(Cases.RARE, CIDER, Cases.NAME, Condition.NEVER));
        assertThat(grants.partly(Visitor.staff("owner@example.org"), Verb.SEE)).isEmpty();
        assertThat(grants.partly(MEMBER, Verb.CHANGE)).isEmpty();
        Grants whole = new Grants(List.of(all, new Grant(Audience.MEMBERS, Verb.SEE, Condition.ALWAYS)));
        assertThat(whole.partly(MEMBER, Verb.SEE)).isEqualTo(Map.of(Cases.RARE, Condition.ALWAYS, Cases.NAME, Condition.ALWAYS));
        assertThat(Openness.of(new Grants(List.of(all)))).isEqualTo(Openness.AS_GRANTED);
    }

    @Test
    void whatIsSeenOfARowIsTheRowWithoutWhatIsNot() {
        Sight sight = new Sight(Cases.TABLE, Tables.alone(Cases.TABLE), Map.of(Cases.TABLE.key(), Condition.isEmpty(Cases.RARE)
                .not()), Map.of(Cases.TABLE.key(), Map.of(Cases.RARE, Condition.NEVER, Cases.NAME, CIDER)));
        Standpoint here = Standpoint.of(Onlooker.NOBODY, Cases.TODAY);
        Value name = Value.of("Kingfisher");
        assertThat(sight.seen(new Row(new RowId(1), Map.of(Cases.NAME, name, Cases.USE, Value.of("Cider"), Cases.RARE, Value.of(true))),
                here)).contains(new Row(new RowId(1), Map.of(Cases.NAME, name, Cases.USE, Value.of("Cider"))));
        assertThat(sight.seen(new Row(new RowId(2), Map.of(Cases.NAME, name, Cases.RARE, Value.of(true))), here))
                .contains(new Row(new RowId(2), Map.of()));
        assertThat(sight.seen(new Row(new RowId(3), Map.of(Cases.NAME, name)), here)).isEmpty();
        assertThat(sight.hidden()).containsExactly(Cases.RARE);
    }

    @Test
    void opennessSaysWhatItsGrantsSay() {
        for (Openness openness : List.of(Openness.NOBODY, Openness.MEMBERS, Openness.EVERYONE)) {
            assertThat(Openness.of(new Grants(openness.in(List.of())))).isEqualTo(openness);
        }
        assertThat(Openness.of(new Grants(List.of(Grant.ofOwn(Audience.MEMBERS, Verb.SEE))))).isEqualTo(Openness.AS_GRANTED);
    }

    @Test
    void whoMaySeeIsSaidWithoutTouchingWhoMayDoMore() {
        Grant adding = new Grant(Audience.MEMBERS, Verb.ADD, Condition.ALWAYS);
        Grant changing = Grant.ofOwn(Audience.MEMBERS, Verb.CHANGE).leavingOut(Set.of(Cases.RARE));
        List<Grant> before = List.of(adding, Grant.ofOwn(Audience.MEMBERS, Verb.SEE), changing);
        assertThat(Openness.EVERYONE.in(before)).containsExactlyInAnyOrder(Grant.everyoneSeesAll(), adding, changing);
        assertThat(Openness.NOBODY.in(before)).containsExactlyInAnyOrder(adding, changing);
        assertThat(Openness.AS_GRANTED.in(before)).isEqualTo(before);
        assertThat(Openness.of(new Grants(Openness.MEMBERS.in(before)))).isEqualTo(Openness.MEMBERS);
        assertThat(Openness.of(new Grants(List.of(adding, changing)))).isEqualTo(Openness.NOBODY);
    }

    @Test
    void aGroupIsWhomItsConditionMeetsAndWhomAHandPutIn() {
        Group group = new Group(new GroupKey("ciderists"), "Ciderists", CIDER, Set.of(new RowId(7)));
        Standpoint here = Standpoint.of(Onlooker.NOBODY, Cases.TODAY);
        assertThat(group.includes(new Row(new RowId(1), Map.of(Cases.USE, Value.of("Cider"))), here)).isTrue();
        assertThat(group.includes(new Row(new RowId(1), Map.of(Cases.USE, Value.of("Eating"))), here)).isFalse();
        assertThat(group.includes(new Row(new RowId(7), Map.of()), here)).isTrue();
        // without the field that it asks about, nobody meets it
        Table without = Cases.TABLE.with(new Fields(List.of(Cases.TABLE.field(Cases.NAME))));
        assertThat(group.of(Tables.alone(without), without).includes(new Row(new RowId(1), Map.of(Cases.USE, Value.of("Cider"))), here)).isFalse();
    }

    @Test
    void grantsToAGroupAreForThoseInItAlone() {
        GroupKey key = new GroupKey("ciderists");
        Grants grants = new Grants(List.of(new Grant(Audience.those(key), Verb.CHANGE, CIDER)));
        Visitor inIt = new Visitor(Visitor.Kind.MEMBER, Onlooker.NOBODY, Set.of(key));
        assertThat(grants.decide(inIt, Verb.CHANGE).rows()).isEqualTo(CIDER);
        assertThat(grants.decide(inIt, Verb.SEE).isAllowed()).isFalse();
        assertThat(grants.decide(MEMBER, Verb.CHANGE).isAllowed()).isFalse();
    }

    @Test
    void whatIsGrantedByAFieldThatIsGoneIsGrantedOfNothing() {
        Table without = Cases.TABLE.with(new Fields(List.of(Cases.TABLE.field(Cases.NAME))));
        Grants grants = new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, CIDER.not())));
        assertThat(grants.of(Tables.alone(without), without, Deciding.of(Tables.NONE, List.of())).decide(MEMBER, Verb.SEE).rows()).isEqualTo(Condition.NEVER);
    }
}
