package org.pressboard.schema;

import java.time.Clock;
import java.time.LocalDate;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.SiteTime;
import org.pressboard.sql.LongWork;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Begins the days of the site: tallies whose conditions depend on the day are worked out anew when it has another. It looks again
 * and again rather than once at midnight, which some days do not have, and which comes at another moment when the site's time zone
 * is changed.
 */
@Component
class TallyClock {

    private static final int A_WHILE = 5_000;

    private final Catalog catalog;
    private final SiteTime time;
    private final TallyUpkeep tallies;
    private final Clock clock;
    private final DSLContext sql;

    TallyClock(Catalog catalog, SiteTime time, TallyUpkeep tallies, Clock clock, DSLContext sql) {
        this.catalog = catalog;
        this.time = time;
        this.tallies = tallies;
        this.clock = clock;
        this.sql = sql;
    }

    /** Nothing while the day is the one by which tallies were worked out last. */
    @Scheduled(fixedDelay = A_WHILE)
    @Transactional
    public void look() {
        time.keep();
        LocalDate today = LocalDate.now(clock);
        if (sql.execute("update pressboard.site set today = {0} where today <> {0}", DSL.val(today)) > 0) {
            LongWork.begin(sql);
            Tables tables = catalog.tables();
            for (Table table : tables.all()) {
                table.fields().stream().filter(TallyClock::followsTheDay).forEach(field -> tallies.workOut(table, field));
            }
        }
    }

    private static boolean followsTheDay(Field field) {
        return field.isColumn() && field.computed() instanceof Computed.Tally tally && tally.where().dependsOnStandpoint();
    }
}
