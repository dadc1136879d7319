package org.pressboard.change;

import static org.assertj.core.api.Assertions.assertThat;

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
        Eventually.holds(() -> changes.rowsRevision(table.key()) == changes.rowsRevision(table.key()));
        long before = changes.rowsRevision(table.key());
        long otherBefore = changes.rowsRevision(other.key());
        DATABASE.execute("update hosted." + table.key() + " set weeks = 3");
        Eventually.holds(() -> changes.rowsRevision(table.key()) != before);
        assertThat(changes.rowsRevision(other.key())).isEqualTo(otherBefore);
    }

    @Test
    void whileNothingIsHeardNothingCountsAsKnownAndHearingComesBack() {
        Table table = tableWith(List.of());
        Eventually.holds(() -> changes.rowsRevision(table.key()) == changes.rowsRevision(table.key()));
        DATABASE.execute("select pg_terminate_backend(pid) from pg_stat_activity "
                + "where query = 'listen pressboard_changes' and datname = current_database()");
        Eventually.holds(() -> changes.rowsRevision(table.key()) != changes.rowsRevision(table.key()));
        Eventually.holds(() -> changes.rowsRevision(table.key()) == changes.rowsRevision(table.key()));
    }

    @Test
    void whoeverPublishesSeesItAtOnce() {
        long before = changes.catalogRevision();
        catalog.changeSite(catalog.site());
        assertThat(changes.catalogRevision()).isNotEqualTo(before);
    }
}
