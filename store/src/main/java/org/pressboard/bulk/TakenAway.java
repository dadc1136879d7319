package org.pressboard.bulk;

import java.io.IOException;
import java.io.OutputStream;
import java.util.function.Consumer;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.listing.RowQuery;
import org.pressboard.turn.Turns;
import org.pressboard.scope.VisitorScope;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** What all that takes rows away has in common: under whose eyes they are read, for how long, and where they wait. */
@Component
class TakenAway {

    private static final String LONGEST = "10min";

    /** The other half of the machine is for those who look at pages, whoever takes how much away. */
    private static final int AT_ONCE = Math.max(1, Runtime.getRuntime().availableProcessors() / 2);

    private final DSLContext sql;
    private final VisitorScope scope;
    private final Scratch scratch;
    private final TransactionTemplate reading;
    private final Turns turns = new Turns(AT_ONCE);

    TakenAway(DSLContext sql, VisitorScope scope, Scratch scratch, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.scope = scope;
        this.scratch = scratch;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /**
     * Rows that are written when it is their turn.
     *
     * @throws org.pressboard.turn.Busy when there is no turn to be had, or no room
     */
    Spool spooled(Carrying carrying, Consumer<OutputStream> writer) throws IOException {
        try {
            return Spool.written(scratch, turns, writer);
        } finally {
            carrying.end();
        }
    }

    /** Reads as the visitor of the query, in a transaction of its own. */
    void read(RowQuery query, Runnable work) {
        reading.executeWithoutResult(status -> {
            sql.execute("set local statement_timeout = {0}", DSL.inline(LONGEST));
            scope.enter(query.visitor(), query.standpoint());
            work.run();
        });
    }
}
