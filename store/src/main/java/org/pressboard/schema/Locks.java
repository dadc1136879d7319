package org.pressboard.schema;

import java.util.Collection;
import java.util.List;
import java.util.stream.Stream;
import org.pressboard.catalog.Catalog;
import org.pressboard.grant.Deciding;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.springframework.stereotype.Component;

/**
 * Takes the second lock off what is about to be altered, and puts it on again: the policies of a table, those of others
 * that look through views, and the views. In between visitors get nothing of these tables. All within the caller's
 * transaction.
 */
@Component
class Locks {

    private final Catalog catalog;
    private final RowSecurity security;
    private final OpenFields open;

    Locks(Catalog catalog, RowSecurity security, OpenFields open) {
        this.catalog = catalog;
        this.security = security;
        this.open = open;
    }

    /** Takes it off, so that the columns of that table can be altered, or it be removed. */
    void takeOff(TableKey altered) {
        concerned(catalog.tables(), altered).forEach(security::release);
        open.close();
    }

    /** Puts it on again, as the tables and their grants are now. */
    void putOn(TableKey altered) {
        Tables tables = catalog.tables();
        open.open(tables);
        protect(tables, concerned(tables, altered).toList());
        if (tables.people().filter(altered::equals).isPresent()) {
            decidingAnew(tables);
        }
    }

    /** Puts on again what depends on which fields decide who belongs to groups: those of other tables by tallies of people. */
    private void decidingAnew(Tables tables) {
        boolean isAnyAsking = catalog.groups().stream().anyMatch(group -> !group.rows().fields().isEmpty());
        protect(tables, !isAnyAsking ? List.of() : tables.all().stream().filter(table -> !tables.talliesOf(table.key()).isEmpty()
                && catalog.grants(table.key()).isWriting()).toList());
    }

    /** Makes the row security of these tables say what their grants say. */
    void protect(Tables tables, Collection<Table> these) {
        Deciding deciding = Deciding.of(tables, catalog.groups());
        these.forEach(table -> security.protect(tables, table, catalog.grants(table.key()), deciding));
    }

    private static Stream<Table> concerned(Tables tables, TableKey altered) {
        return tables.all().stream().filter(table -> table.key().equals(altered)
                || (table.owner() != null && table.owner().isThrough()));
    }
}
