package org.pressboard.sql;

import org.jooq.DSLContext;

/** Work on a whole table within one transaction, such as making a field another kind: it may take long, but not for ever. */
public final class LongWork {

    private LongWork() {
    }

    /** From here on each statement of the transaction may take ten minutes. */
    public static void begin(DSLContext sql) {
        sql.execute("set local statement_timeout = '10min'");
    }
}
