package org.pressboard.grant;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.pressboard.condition.Condition;

/** The simplest thing to say of who may see a table: all of its rows, where there is no more to it. */
public enum Openness {
    NOBODY,
    /** Its grants say more than could be said so. */
    AS_GRANTED,
    MEMBERS, EVERYONE;

    /** These grants with this said of who may see; what is granted besides stays as it is. */
    public List<Grant> in(List<Grant> grants) {
        return this == AS_GRANTED ? grants : Stream.concat(seeing().stream(),
                grants.stream().filter(grant -> grant.verb() != Verb.SEE)).toList();
    }

    private Optional<Grant> seeing() {
        return switch (this) {
            case NOBODY -> Optional.empty();
            case MEMBERS -> Optional.of(new Grant(Audience.MEMBERS, Verb.SEE, Condition.ALWAYS));
            case EVERYONE -> Optional.of(Grant.everyoneSeesAll());
            case AS_GRANTED -> throw new IllegalStateException("Which grants, they say themselves");
        };
    }

    /** Which of these the grants come to, whatever they let people do besides. */
    public static Openness of(Grants grants) {
        List<Grant> seeing = grants.of(Verb.SEE);
        return Stream.of(NOBODY, MEMBERS, EVERYONE).filter(each -> each.seeing().stream().toList().equals(seeing)).findFirst()
                .orElse(AS_GRANTED);
    }
}
