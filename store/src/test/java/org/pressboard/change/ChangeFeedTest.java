package org.pressboard.change;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.random.RandomGenerator;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.editing.RowEditing;
import org.pressboard.undo.Undo;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.jdbc.autoconfigure.JdbcConnectionDetails;

class ChangeFeedTest extends StoreTest {

    @Autowired
    private ChangeFeed changes;

    @Autowired
    private Numbering numbering;

    @Autowired
    private RowEditing editing;

    @Autowired
    private Undo undo;

    @Autowired
    private JdbcConnectionDetails details;

    @Autowired
    private DataSource pool;

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
        Eventually.holds(() -> changes.rowsRevision(table.key()).lost() == before.lost() + 4);
        assertThat(changes.rowsRevision(table.key()).leftOf(9, before)).isEqualTo(5);
        assertThat(changes.rowsRevision(table.key()).leftOf(3, before)).isZero();
        DATABASE.execute("truncate hosted." + table.key());
        Eventually.holds(() -> changes.rowsRevision(table.key()).leftOf(9, before) == 0);
    }

    @Test
    void whileNothingIsHeardTheNumbersAreAskedForAndHearingComesBack() {
        Table table = tableWith(List.of(Cases.named("Hollin"), Cases.named("Bramber")));
        Eventually.holds(() -> isHearing(table));
        Revision before = changes.rowsRevision(table.key());
        DATABASE.execute("select pg_terminate_backend(pid) from pg_stat_activity "
                + "where query = 'listen pressboard_changes' and datname = current_database()");
        DATABASE.execute("update hosted." + table.key() + " set weeks = 3 where row_id = 1");
        // also of what happened while nothing was heard it is known how many rows are certain
        Eventually.holds(() -> changes.rowsRevision(table.key()).leftOf(2, before) == 1);
        assertThat(changes.rowsRevision(table.key()).number()).isEqualTo(before.number() + 1);
    }

    @Test
    void twoNodesSayTheSameOfTheSameState() {
        ChangeFeed other = new ChangeFeed(new RevisionReader(details), pool, sql, numbering);
        other.start();
        try {
            Table one = tableWith(List.of(Cases.named("Hollin")));
            Table two = tableWith(List.of());
            RandomGenerator random = Cases.random(24);
            List<TableKey> both = List.of(one.key(), two.key());
            for (int i = 0; i < 40; i++) {
                Revision before = changes.rowsRevision(both);
                TableKey changed = Cases.pick(both, random);
                switch (random.nextInt(4)) {
                    case 0 -> DATABASE.execute("update hosted." + changed + " set weeks = " + i);
                    case 1 -> DATABASE.execute("insert into hosted." + changed + " (name) values ('Kestrel')");
                    case 2 -> DATABASE.execute("truncate hosted." + changed);
                    default -> editing.add(changed, Map.of(Cases.NAME, Value.of("Lark")), OWNER);
                }
                Eventually.holds(() -> changes.rowsRevision(both).number() == before.number() + 1);
                Eventually.holds(() -> other.rowsRevision(both).equals(changes.rowsRevision(both)));
                assertThat(inTransaction(() -> changes.rowsRevisionSeen(both))).isEqualTo(changes.rowsRevision(both));
            }
        } finally {
            other.stop();
        }
    }

    /** Whoever changes much for long has nobody wait: numbers are given at the end. */
    @Test
    void twoWhoChangeOneTableAtOnceDoNotWaitForEachOther() {
        Table table = tableWith(List.of(Cases.named("Hollin"), Cases.named("Bramber")));
        Eventually.holds(() -> isHearing(table));
        Revision before = changes.rowsRevision(table.key());
        inTransaction(() -> {
            sql.execute("update hosted." + table.key() + " set weeks = 1 where row_id = 1");
            DATABASE.execute("set statement_timeout = '5s'; update hosted." + table.key() + " set weeks = 2 where row_id = 2");
            Eventually.holds(() -> changes.rowsRevision(table.key()).number() == before.number() + 1);
        });
        Eventually.holds(() -> changes.rowsRevision(table.key()).number() == before.number() + 2);
    }

    /** What was taken back has no number. */
    @Test
    void whatComesToNothingIsNoChange() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        Eventually.holds(() -> isHearing(table));
        Revision before = changes.rowsRevision(table.key());
        DATABASE.execute("begin; update hosted." + table.key() + " set weeks = 1; rollback");
        DATABASE.execute("update hosted." + table.key() + " set weeks = 1");
        Eventually.holds(() -> !changes.rowsRevision(table.key()).equals(before));
        assertThat(changes.rowsRevision(table.key()).number()).isEqualTo(before.number() + 1);
    }

    /** However late the notification comes: here the connection that hears is held up until the end. */
    @Test
    void whoeverChangesOrTakesBackIsAnsweredByItAtOnce() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        Eventually.holds(() -> isHearing(table));
        AtomicBoolean isHeld = new AtomicBoolean();
        AtomicBoolean isOver = new AtomicBoolean();
        Thread own = Thread.currentThread();
        changes.listen(changed -> {
            if (Thread.currentThread() != own) {
                isHeld.set(true);
                Eventually.holds(isOver::get);
            }
        });
        try {
            DATABASE.execute("update hosted." + table.key() + " set weeks = 1");
            Eventually.holds(isHeld::get);
            editing.add(table.key(), Map.of(Cases.NAME, Value.of("Lark")), OWNER);
            isKnown(table);
            long removal = editing.remove(table.key(), List.of(new RowId(1)), OWNER);
            isKnown(table);
            undo.undo(table.key(), removal, OWNER);
            isKnown(table);
        } finally {
            isOver.set(true);
        }
    }

    private void isKnown(Table table) {
        assertThat(changes.rowsRevision(table.key())).isEqualTo(inTransaction(() -> changes.rowsRevisionSeen(List.of(table.key()))));
    }

    @Test
    void whoeverPublishesSeesItAtOnce() {
        long before = changes.catalogRevision();
        catalog.changeSite(catalog.site());
        assertThat(changes.catalogRevision()).isNotEqualTo(before);
    }
}
