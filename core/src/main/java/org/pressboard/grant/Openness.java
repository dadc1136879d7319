package org.pressboard.grant;

import java.util.List;
import java.util.stream.Stream;
import org.pressboard.condition.Condition;

/** The simplest thing to say of a table: who may see all of its rows, where there is no more to it. */
public enum Openness {
    NOBODY,
    /** Its grants say more than could be said so. */
    AS_GRANTED,
    MEMBERS, EVERYONE;

    /** The grants that say so. */
    public Grants toGrants() {
        return switch (this) {
            case NOBODY -> Grants.NONE;
            case MEMBERS -> new Grants(List.of(new Grant(Audience.MEMBERS, Verb.SEE, Condition.ALWAYS)));
            case EVERYONE -> new Grants(List.of(Grant.everyoneSeesAll()));
            case AS_GRANTED -> throw new IllegalStateException("Which grants, they say themselves");
        };
    }

    /** Which of these the grants come to. */
    public static Openness of(Grants grants) {
        return Stream.of(NOBODY, MEMBERS, EVERYONE).filter(each -> each.toGrants().all().equals(grants.all())).findFirst()
                .orElse(AS_GRANTED);
    }
}
