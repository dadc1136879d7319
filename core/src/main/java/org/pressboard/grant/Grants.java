package org.pressboard.grant;

import java.util.List;
import java.util.Optional;
import org.pressboard.condition.Condition;
import org.pressboard.problem.Problem;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;

/**
 * All grants of one table. Without a grant nobody but the staff may do anything; staff may do everything.
 *
 * <pre>{@code
 * Decision decision = grants.decide(visitor, Verb.SEE);
 * }</pre>
 *
 * @param ofOwn    which rows are the visitor's own
 * @param approval whether rows have to be let through
 */
public record Grants(List<Grant> all, Condition ofOwn, Approval approval) {

    /** Nobody but staff. */
    public static final Grants NONE = new Grants(List.of());

    public Grants {
        all = List.copyOf(all);
    }

    /** Of a table in which no row is anybody's own, and none has to be let through. */
    public Grants(List<Grant> all) {
        this(all, Condition.NEVER, Approval.NONE);
    }

    /** The same for that table as it is: with what makes rows somebody's own, and nothing that it has no more. */
    public Grants of(Tables tables, Table table) {
        return new Grants(all.stream().map(grant -> grant.of(table)).toList(), Ownership.of(tables, table),
                Approval.of(table));
    }

    public Decision decide(Visitor visitor, Verb verb) {
        if (visitor.isStaff()) {
            return new Decision.Allowed(Condition.ALWAYS);
        }
        List<Grant> given = given(visitor, verb);
        if (given.isEmpty()) {
            return new Decision.Refused(Problem.of("not-granted." + verb.word()));
        }
        if (verb == Verb.APPROVE && !approval.isAsked()) {
            return new Decision.Refused(Problem.of("not-granted.approve"));
        }
        Condition bound = approval.bound(verb, ofOwn, rows(given(visitor, Verb.APPROVE)));
        return new Decision.Allowed(bound.equals(Condition.ALWAYS) ? rows(given) : rows(given).and(bound));
    }

    private List<Grant> given(Visitor visitor, Verb verb) {
        return all.stream().filter(grant -> grant.verb() == verb && grant.audience().includes(visitor)).toList();
    }

    /** Which rows one of the grants is for. */
    public Condition reach(Grant grant) {
        return grant.own() ? ofOwn : grant.rows();
    }

    private Condition rows(List<Grant> given) {
        List<Condition> rows = given.stream().map(this::reach).distinct().toList();
        return rows.contains(Condition.ALWAYS) ? Condition.ALWAYS : Condition.any(rows);
    }

    /** The grant of that audience and verb, where there is one. */
    public Optional<Grant> find(Audience audience, Verb verb) {
        return all.stream().filter(grant -> grant.audience().equals(audience) && grant.verb() == verb).findFirst();
    }
}
