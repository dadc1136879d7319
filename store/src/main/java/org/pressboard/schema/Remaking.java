package org.pressboard.schema;

import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.sql.LongWork;
import org.pressboard.table.Computed;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Makes anew what the database keeps for owners' tables where an earlier release made it: what keeps their searched texts
 * and tallies, and their row security. Before anybody is served; all or nothing, on one node.
 */
@Component
class Remaking implements SmartInitializingSingleton {

    /** One more whenever the statements change by which all that is made. */
    private static final int VERSION = 2;

    private final Catalog catalog;
    private final SearchTexts searching;
    private final TallyUpkeep tallies;
    private final Locks locks;
    private final DSLContext sql;
    private final TransactionTemplate transaction;

    Remaking(Catalog catalog, SearchTexts searching, TallyUpkeep tallies, Locks locks, DSLContext sql,
            PlatformTransactionManager transactions) {
        this.catalog = catalog;
        this.searching = searching;
        this.tallies = tallies;
        this.locks = locks;
        this.sql = sql;
        this.transaction = new TransactionTemplate(transactions);
    }

    @Override
    public void afterSingletonsInstantiated() {
        transaction.executeWithoutResult(status -> {
            int made = sql.fetchSingle("select version from pressboard.made_by for update").get(0, Integer.class);
            if (made < VERSION) {
                LongWork.begin(sql);
                remake(catalog.tables());
                sql.execute("update pressboard.made_by set version = {0}", DSL.val(VERSION));
            }
        });
    }

    private void remake(Tables tables) {
        for (Table table : tables.all()) {
            searching.pause(table);
            searching.keep(table);
            table.columns().stream().filter(field -> field.computed() instanceof Computed.Tally)
                    .forEach(field -> tallies.begin(tables, table, field));
            locks.takeOff(table.key());
            locks.putOn(table.key());
        }
    }
}
