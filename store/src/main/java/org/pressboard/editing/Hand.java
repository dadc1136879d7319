package org.pressboard.editing;

import java.util.Collection;
import java.util.List;
import java.util.function.IntSupplier;
import org.pressboard.grant.Verb;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
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
}
