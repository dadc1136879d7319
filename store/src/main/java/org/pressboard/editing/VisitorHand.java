package org.pressboard.editing;

import java.sql.SQLException;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntSupplier;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Verb;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.VisitorScope;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.dao.NonTransientDataAccessException;

/**
 * A visitor's hand: what it writes is asked of the grants, and written under row security.
 *
 * @param given the fields of which they say themselves what they are to have
 */
record VisitorHand(VisitorRows rows, VisitorScope scope, Set<FieldKey> given, Sent sent) implements Hand {

    private static final String NOT_ALLOWED = "42501";

    @Override
    public int write(Verb verb, Table table, int wanted, IntSupplier statement) {
        scope.enter(rows.visitor(), rows.standpoint());
        tellWhatTheServerSets(verb, table);
        int written;
        try {
            written = statement.getAsInt();
        } catch (NonTransientDataAccessException refused) {
            if (refused.getMostSpecificCause() instanceof SQLException cause && NOT_ALLOWED.equals(cause.getSQLState())) {
                throw ProblemsFound.of("not-granted.write");
            }
            throw refused;
        }
        scope.leave(rows.visitor());
        if (written < wanted) {
            throw ProblemsFound.of("not-granted.write");
        }
        return written;
    }

    @Override
    public List<Value> unseen(Field field, Value value) {
        if (!(field.type() instanceof Referring)) {
            return List.of();
        }
        Set<Long> seen = rows.seen(rows.site().tables().target(field), VisitorRows.numbers(value));
        return value.each().stream().filter(each -> !seen.contains(((Value.Referred) each).row())).toList();
    }

    private void tellWhatTheServerSets(Verb verb, Table table) {
        if (verb == Verb.ADD) {
            Set<FieldKey> byServer = new HashSet<>(rows.site().partly(rows.visitor(), verb, table.key()).keySet());
            byServer.removeAll(given);
            if (!byServer.isEmpty()) {
                scope.setting(byServer);
            }
        }
    }

    @Override
    public void check(Verb verb, Table table, Collection<Long> numbers) {
        if (rows.granted(table, granted(verb, table), numbers).size() < new HashSet<>(numbers).size()) {
            throw ProblemsFound.of(Hand.notThis(verb));
        }
        checkFields(verb, table, numbers);
    }

    @Override
    public Condition granted(Verb verb, Table table) {
        Decision decision = rows.site().may(rows.visitor(), verb, table.key());
        if (decision instanceof Decision.Refused(Problem reason)) {
            throw ProblemsFound.of(reason.code());
        }
        return decision.rows();
    }

    /** As their grants are asked: as they are kept, for to read them anew takes longer than to write a row. */
    @Override
    public Tables tables(Catalog catalog) {
        return rows.site().tables();
    }

    @Override
    public Standpoint standpoint() {
        return rows.standpoint();
    }

    @Override
    public void checkFields(Verb verb, Table table, Collection<Long> numbers) {
        rows.leftOut(verb, table, given, numbers).values().stream().findFirst().ifPresent(problem -> {
            throw new ProblemsFound(new Problems(List.of(problem)));
        });
    }
}
