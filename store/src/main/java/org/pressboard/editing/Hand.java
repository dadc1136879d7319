package org.pressboard.editing;

import java.util.Collection;
import java.util.List;
import java.util.function.IntSupplier;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Verb;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.Value;

/** By whose hand rows are written, and what they may write. */
interface Hand {

    /** Those who may do everything. */
    Hand STAFF = new Hand() {
        @Override
        public int write(Verb verb, Table table, int wanted, IntSupplier statement) {
            return statement.getAsInt();
        }

        @Override
        public void check(Verb verb, Table table, Collection<Long> rows) {
        }
    };

    /** Who sends a row from a page, and through which form; empty: nobody, or none. */
    record Sent(String by, String form) {

        static final Sent NOT = new Sent("", "");
    }

    default Sent sent() {
        return Sent.NOT;
    }

    /** Those of the rows that a field leads to that they do not see. */
    default List<Value> unseen(Field field, Value value) {
        return List.of();
    }

    /** Executes a statement as they; refuses where it writes fewer rows than wanted. Gives how many it wrote. */
    int write(Verb verb, Table table, int wanted, IntSupplier statement);

    /** Refuses where they may not do that to one of these rows as it is now. */
    void check(Verb verb, Table table, Collection<Long> rows);

    /** The tables as they go by them. */
    default Tables tables(Catalog catalog) {
        return catalog.tables();
    }

    /**
     * To which rows they may do that, but for fields that are left out of it; see {@link #checkFields}.
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

    /** Refuses where a field that they give is left out of what they may do with one of these rows. */
    default void checkFields(Verb verb, Table table, Collection<Long> rows) {
    }
}
