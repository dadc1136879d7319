package org.pressboard.editing;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.Record;
import org.jooq.ResultQuery;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Decision;
import org.pressboard.grant.Verb;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.scope.VisitorScope;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
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
    public long write(DSLContext sql, Verb verb, Table table, Collection<RowId> numbers, ResultQuery<Record> act,
            Query statement) {
        List<Query> statements = new ArrayList<>(List.of(act));
        scope.entering(rows.visitor(), rows.standpoint(), setByServer(verb, table)).ifPresent(statements::add);
        int writing = statements.size();
        statements.add(statement);
        scope.leaving(rows.visitor()).ifPresent(statements::add);
        if (verb != Verb.REMOVE) {
            statements.add(rows.asking(table, granted(verb, table), numbers));
        }
        Together written = send(sql, statements);
        if (written.written(writing) < numbers.size()) {
            throw ProblemsFound.of("not-granted.write");
        }
        if (verb != Verb.REMOVE) {
            refuse(verb, written.found(statements.size() - 1).size(), numbers);
            checkFields(verb, table, numbers);
        }
        return Hand.number(written);
    }

    private static Together send(DSLContext sql, List<Query> statements) {
        try {
            return Together.send(sql, statements);
        } catch (NonTransientDataAccessException refused) {
            if (refused.getMostSpecificCause() instanceof SQLException cause && NOT_ALLOWED.equals(cause.getSQLState())) {
                throw ProblemsFound.of("not-granted.write");
            }
            throw refused;
        }
    }

    @Override
    public Map<FieldKey, Problem> against(Table table, Collection<RowId> numbers, Map<FieldKey, Optional<Value>> give) {
        Map<FieldKey, Value> values = new HashMap<>();
        give.forEach((field, value) -> value.filter(is -> given.contains(field)).ifPresent(is -> values.put(field, is)));
        Map<FieldKey, Problem> against = rows.unseen(table, values);
        against.putAll(rows.leftOut(Verb.CHANGE, table, given, numbers));
        return against;
    }

    @Override
    public List<Value> unseen(Field field, Value value) {
        if (!(field.type() instanceof Referring)) {
            return List.of();
        }
        Set<RowId> seen = rows.seen(rows.site().tables().target(field), VisitorRows.numbers(value));
        return value.each().stream().filter(each -> !seen.contains(((Value.Referred) each).row())).toList();
    }

    /** The fields of a new row that they have not given, where they may give them in some rows or none. */
    private Set<FieldKey> setByServer(Verb verb, Table table) {
        Set<FieldKey> byServer = verb != Verb.ADD ? new HashSet<>()
                : new HashSet<>(rows.site().partly(rows.visitor(), verb, table.key()).keySet());
        byServer.removeAll(given);
        return byServer;
    }

    @Override
    public void check(Verb verb, Table table, Collection<RowId> numbers) {
        refuse(verb, rows.granted(table, granted(verb, table), numbers).size(), numbers);
        checkFields(verb, table, numbers);
    }

    private static void refuse(Verb verb, int granted, Collection<RowId> numbers) {
        if (granted < new HashSet<>(numbers).size()) {
            throw ProblemsFound.of(Hand.notThis(verb));
        }
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

    private void checkFields(Verb verb, Table table, Collection<RowId> numbers) {
        rows.leftOut(verb, table, given, numbers).values().stream().findFirst().ifPresent(problem -> {
            throw new ProblemsFound(new Problems(List.of(problem)));
        });
    }
}
