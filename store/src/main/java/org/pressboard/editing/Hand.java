package org.pressboard.editing;

import java.util.Collection;
import java.util.function.IntSupplier;
import org.pressboard.grant.Verb;
import org.pressboard.table.Table;

/** By whose hand rows are written, and what they may write. */
interface Hand {

    /** Those who may do everything. */
    Hand STAFF = new Hand() {
        @Override
        public int write(IntSupplier statement) {
            return statement.getAsInt();
        }

        @Override
        public void check(Verb verb, Table table, Collection<Long> rows) {
        }

        @Override
        public void all(int wanted, int written) {
        }
    };

    /** Executes a statement as they, and gives how many rows it wrote. */
    int write(IntSupplier statement);

    /** Refuses where they may not do that to one of these rows as it is now. */
    void check(Verb verb, Table table, Collection<Long> rows);

    /** Refuses where fewer rows were written than wanted. */
    void all(int wanted, int written);
}
