package org.pressboard.editing;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Query;
import org.jooq.Record;
import org.jooq.ResultQuery;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Verb;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** By whose hand rows are written, and what they may write. */
interface Hand {

    /** Those who may do everything. */
    Hand STAFF = new Hand() {
    };

    /** Who sends a row from a page, and through which form; empty: nobody, or none. */
    record Sent(String by, String form) {

        static final Sent NOT = new Sent("", "");
    }

    default Sent sent() {
        return Sent.NOT;
    }

    /** What is against their giving these values to these rows, by field; what they may not change at all is refused apart. */
    default Map<FieldKey, Problem> against(Table table, Collection<RowId> rows, Map<FieldKey, Optional<Value>> give) {
        return Map.of();
    }

    /** Those of the rows that a field leads to that they do not see. */
    default List<Value> unseen(Field field, Value value) {
        return List.of();
    }

    /**
     * Executes the statement that puts down the act, and the one that does that to rows, as they.
     *
     * @return the number of the act
     * @throws ProblemsFound where it writes fewer rows than it should, or they may not do that to one of the rows as it
     *         is then
     */
    default long write(DSLContext sql, Verb verb, Table table, Collection<RowId> rows, ResultQuery<Record> act, Query statement) {
        return number(Together.send(sql, List.of(act, statement)));
    }

    /** What the first of the statements answers, which puts down the act. */
    static long number(Together written) {
        return written.found(0).getFirst().get(0, Long.class);
    }

    /** Refuses where they may not do that to one of these rows as it is now. */
    default void check(Verb verb, Table table, Collection<RowId> rows) {
    }

    /** The tables as they go by them. */
    default Tables tables(Catalog catalog) {
        return catalog.tables();
    }

    /**
     * To which rows they may do that, but for fields that are left out of it.
     *
     * @throws ProblemsFound when to none
     */
    default Condition granted(Verb verb, Table table) {
        return Condition.ALWAYS;
    }

    /** The code of what is said where they may do that, but not to this row. */
    static String notThis(Verb verb) {
        return "not-granted." + verb.word() + "-this";
    }

    /** Of whom that is so. */
    default Standpoint standpoint() {
        return Standpoint.NOBODY;
    }
}
