package org.pressboard.grant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
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

    @Test
    void opennessSaysWhatItsGrantsSay() {
        for (Openness openness : Openness.values()) {
            assertThat(Openness.of(openness.toGrants())).isEqualTo(openness);
        }
    }
}
