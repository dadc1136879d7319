package org.pressboard.change;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.table.Table;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class ChangeFeedTest extends StoreTest {

    @Autowired
    private ChangeFeed changes;

    @Test
    void numbersStayUntilSomethingChangesAnywhere() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        Table other = tableWith(List.of());
        Eventually.holds(() -> isHearing(table));
        Revision before = changes.rowsRevision(table.key());
        Revision otherBefore = changes.rowsRevision(other.key());
        DATABASE.execute("update hosted." + table.key() + " set weeks = 3");
        Eventually.holds(() -> !changes.rowsRevision(table.key()).equals(before));
        assertThat(changes.rowsRevision(other.key())).isEqualTo(otherBefore);
    }

    private boolean isHearing(Table table) {
        return changes.rowsRevision(table.key()).equals(changes.rowsRevision(table.key()));
    }

    @Test
    void aChangeTellsHowManyRowsAreStillCertain() {
        Table table = tableWith(Collections.nCopies(9, Cases.named("Hollin")));
        Eventually.holds(() -> isHearing(table));
        Revision before = changes.rowsRevision(table.key());
        DATABASE.execute("insert into hosted." + table.key() + " (name) values ('Bramber')");
        // two changes of one transaction that lose equally many, and one that loses more
        DATABASE.execute("do $$ begin update hosted." + table.key() + " set weeks = 3 where row_id = 1; "
                + "update hosted." + table.key() + " set weeks = 3 where row_id = 2; "
                + "delete from hosted." + table.key() + " where row_id > 8; end $$");
        Eventually.holds(() -> changes.rowsRevision(table.key()).lostSince() == 4);
        assertThat(changes.rowsRevision(table.key()).leftOf(9, before)).isEqualTo(5);
        assertThat(changes.rowsRevision(table.key()).leftOf(3, before)).isZero();
        DATABASE.execute("truncate hosted." + table.key());
        Eventually.holds(() -> changes.rowsRevision(table.key()).leftOf(9, before) == 0);
    }

    @Test
    void whileNothingIsHeardNothingCountsAsKnownAndHearingComesBack() {
        Table table = tableWith(List.of());
        Eventually.holds(() -> isHearing(table));
        Revision before = changes.rowsRevision(table.key());
        DATABASE.execute("select pg_terminate_backend(pid) from pg_stat_activity "
                + "where query = 'listen pressboard_changes' and datname = current_database()");
        Eventually.holds(() -> !isHearing(table));
        Eventually.holds(() -> isHearing(table));
        // a change may have been missed meanwhile
        assertThat(changes.rowsRevision(table.key()).leftOf(9, before)).isZero();
    }

    @Test
    void whoeverPublishesSeesItAtOnce() {
        long before = changes.catalogRevision();
        catalog.changeSite(catalog.site());
        assertThat(changes.catalogRevision()).isNotEqualTo(before);
    }
}
