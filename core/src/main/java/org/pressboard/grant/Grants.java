package org.pressboard.grant;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Condition;
import org.pressboard.problem.Problem;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;

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

    /**
     * The same for that table as it is: with what makes rows somebody's own, without anything that it has no more, nor the
     * fields on which groups rest where somebody writes.
     */
    public Grants of(Tables tables, Table table, Deciding deciding) {
        return new Grants(all.stream().map(grant -> grant.of(tables, table, deciding.fields(table.key()))).toList(), Ownership.of(tables, table),
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
        return new Decision.Allowed(bounded(visitor, verb, given));
    }

    /**
     * The fields that are left out of what anybody may do; with each, in which of the rows that this visitor may do it with
     * it is not: in {@link Condition#ALWAYS all} of them, in some, or in none. No other field is left out of any.
     */
    public Map<FieldKey, Condition> partly(Visitor visitor, Verb verb) {
        Set<FieldKey> leftOut = visitor.isStaff() ? Set.of() : leftOut(verb);
        if (leftOut.isEmpty()) {
            return Map.of();
        }
        List<Grant> given = given(visitor, verb);
        Condition all = bounded(visitor, verb, given);
        Map<FieldKey, Condition> partly = new TreeMap<>();
        leftOut.forEach(field -> {
            Condition in = bounded(visitor, verb, with(field, given));
            partly.put(field, in.equals(all) && !given.isEmpty() ? Condition.ALWAYS : in);
        });
        return partly;
    }

    /** The fields that one of the grants of that verb leaves out. */
    public Set<FieldKey> leftOut(Verb verb) {
        return of(verb).stream().flatMap(grant -> grant.without().stream())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** The grants of that verb that do not leave the field out. */
    public List<Grant> with(FieldKey field, Verb verb) {
        return with(field, of(verb));
    }

    /** Whether anybody may add or change rows. */
    public boolean isWriting() {
        return !of(Verb.ADD).isEmpty() || !of(Verb.CHANGE).isEmpty();
    }

    /** The grants of that verb. */
    public List<Grant> of(Verb verb) {
        return all.stream().filter(grant -> grant.verb() == verb).toList();
    }

    private static List<Grant> with(FieldKey field, List<Grant> of) {
        return of.stream().filter(grant -> !grant.without().contains(field)).toList();
    }

    private Condition bounded(Visitor visitor, Verb verb, List<Grant> given) {
        Condition rows = rows(given);
        Condition bound = approval.bound(verb, ofOwn, rows(given(visitor, Verb.APPROVE)));
        return rows.equals(Condition.NEVER) ? rows : bound.equals(Condition.ALWAYS) ? rows : rows.and(bound);
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

    /** The same with that grant in place of the one which the audience has of the verb; {@code null}: without any. */
    public Grants giving(Audience audience, Verb verb, @Nullable Grant given) {
        List<Grant> others = new ArrayList<>(all.stream()
                .filter(grant -> !(grant.audience().equals(audience) && grant.verb() == verb)).toList());
        Optional.ofNullable(given).ifPresent(others::add);
        return new Grants(others, ofOwn, approval);
    }

    /** The grant of that audience and verb, where there is one. */
    public Optional<Grant> find(Audience audience, Verb verb) {
        return all.stream().filter(grant -> grant.audience().equals(audience) && grant.verb() == verb).findFirst();
    }
}
