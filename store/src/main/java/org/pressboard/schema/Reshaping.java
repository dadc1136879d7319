package org.pressboard.schema;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Catalog;
import org.pressboard.change.ChangeFeed;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;

/**
 * Makes the database and the catalog follow what a table is said to be, with everything that rests on its columns: row
 * security, indexes, tallies, and what is kept of its rows. Within the transaction of whoever says it.
 */
@Component
class Reshaping {

    private final Catalog catalog;
    private final HostedTables hosted;
    private final Columns columns;
    private final Dependents dependents;
    private final Locks locks;
    private final Indexes indexes;
    private final IndexUpkeep upkeep;
    private final ChangeFeed changes;

    Reshaping(Catalog catalog, HostedTables hosted, Columns columns, Dependents dependents, Locks locks, Indexes indexes,
            IndexUpkeep upkeep, ChangeFeed changes) {
        this.catalog = catalog;
        this.hosted = hosted;
        this.columns = columns;
        this.dependents = dependents;
        this.locks = locks;
        this.indexes = indexes;
        this.upkeep = upkeep;
        this.changes = changes;
    }

    void make(Table table) {
        locks.takeOff(table.key());
        hosted.create(table);
        catalog.addTable(table);
        locks.putOn(table.key());
    }

    /**
     * Columns and catalog say what the definition says.
     *
     * @param takenBack the act whose removed columns come back; {@code null}: none do
     */
    void follow(Table before, Table after, long act, @Nullable Long takenBack) {
        Tables tables = catalog.tables().with(after);
        dependents.leadingNowhere(tables, after);
        indexes.giveWay();
        locks.takeOff(before.key());
        boolean areGone = columns.follow(tables, before, after, act, takenBack);
        catalog.define(after);
        columns.orderAnew(tables, before, after);
        locks.putOn(after.key());
        if (areGone) {
            changes.columnsGone();
        }
        changes.tableRemoved(after.key());
        upkeep.completeAfterwards(after.key());
    }

    /** @param renamed the new texts of options by their former ones */
    void rename(Table table, Field field, Map<String, String> renamed) {
        renamed.forEach((was, is) -> hosted.rename(table, field, was, is));
    }

    /** Gives way to what is about to change the table; before its act, which others wait for. */
    void giveWay() {
        indexes.giveWay();
    }

    void bin(Table table) {
        locks.takeOff(table.key());
        hosted.bin(table);
        catalog.binTable(table.key());
        locks.putOn(table.key());
        changes.columnsGone();
        changes.tableRemoved(table.key());
    }

    void putBack(TableKey key) {
        locks.takeOff(key);
        catalog.putBackTable(key);
        Tables tables = catalog.tables();
        Table table = tables.get(key);
        dependents.leadingNowhere(tables, table);
        columns.putBack(table);
        locks.putOn(key);
        columns.workOut(tables, table);
        changes.tableRemoved(key);
    }
}
