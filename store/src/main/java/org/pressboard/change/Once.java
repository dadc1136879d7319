package org.pressboard.change;

import java.time.Duration;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What must be done once for the site, on whichever node comes to it first. By the database's clock: those of nodes differ. */
@Component
public class Once {

    private final DSLContext sql;

    Once(DSLContext sql) {
        this.sql = sql;
    }

    /** Does it, in one transaction, unless it was done so recently. Nodes that come to it at the same moment wait for the first. */
    @Transactional
    public void every(Duration apart, String what, Runnable work) {
        if (sql.execute("insert into pressboard.done_once as before (what, at) values ({0}, now()) on conflict (what) do update set at = now() "
                + "where before.at <= now() - make_interval(secs => {1})", DSL.val(what), DSL.val(apart.toSeconds())) > 0) {
            work.run();
        }
    }
}
