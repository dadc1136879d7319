package org.pressboard.grant;

import java.util.List;
import org.pressboard.condition.Condition;
import org.pressboard.problem.Problem;

/**
 * All grants of one table. Without a grant nobody but the staff may do anything; staff may do everything.
 *
 * <pre>{@code
 * Decision decision = grants.decide(visitor, Verb.SEE);
 * }</pre>
 */
public record Grants(List<Grant> all) {

    /** Nobody but staff. */
    public static final Grants NONE = new Grants(List.of());

    public Grants {
        all = List.copyOf(all);
    }

    public Decision decide(Visitor visitor, Verb verb) {
        if (visitor.isStaff()) {
            return new Decision.Allowed(Condition.ALWAYS);
        }
        List<Condition> rows = all.stream()
                .filter(grant -> grant.verb() == verb && grant.audience().includes(visitor))
                .map(Grant::rows)
                .toList();
        if (rows.isEmpty()) {
            return new Decision.Refused(Problem.of("not-granted." + verb.name().toLowerCase(java.util.Locale.ROOT)));
        }
        return new Decision.Allowed(rows.contains(Condition.ALWAYS) ? Condition.ALWAYS : Condition.any(rows));
    }
}
