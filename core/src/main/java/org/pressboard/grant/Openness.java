package org.pressboard.grant;

import java.util.List;
import org.pressboard.condition.Condition;

/** The simplest thing to say of a table: who may see all of its rows. */
public enum Openness {
    NOBODY, MEMBERS, EVERYONE;

    /** The grants that say so. */
    public Grants toGrants() {
        return switch (this) {
            case NOBODY -> Grants.NONE;
            case MEMBERS -> new Grants(List.of(new Grant(Audience.MEMBERS, Verb.SEE, Condition.ALWAYS)));
            case EVERYONE -> new Grants(List.of(Grant.everyoneSeesAll()));
        };
    }

    /** The widest of these that the grants come to. */
    public static Openness of(Grants grants) {
        if (grants.decide(Visitor.ANYONE, Verb.SEE).isAllowed()) {
            return EVERYONE;
        }
        return grants.decide(Visitor.member(""), Verb.SEE).isAllowed() ? MEMBERS : NOBODY;
    }
}
