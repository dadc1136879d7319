package org.pressboard.schema;

import org.jooq.DSLContext;
import org.pressboard.catalog.Catalog;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Works out anew, when a day begins, the tallies of rows of so many days back: no row need change for them to. */
@Component
class TallyClock {

    private final Catalog catalog;
    private final TallyUpkeep tallies;
    private final DSLContext sql;

    TallyClock(Catalog catalog, TallyUpkeep tallies, DSLContext sql) {
        this.catalog = catalog;
        this.tallies = tallies;
        this.sql = sql;
    }

    @Scheduled(cron = "5 0 0 * * *")
    @EventListener(ApplicationReadyEvent.class)
    @Transactional
    public void dayBegins() {
        sql.execute("set local statement_timeout = 0");
        for (Table table : catalog.tables().all()) {
            table.fields().stream().filter(TallyClock::followsTheDay).forEach(field -> tallies.workOut(table, field));
        }
    }

    private static boolean followsTheDay(Field field) {
        return field.isColumn() && field.computed() instanceof Computed.Tally tally && tally.where().dependsOnStandpoint();
    }
}
