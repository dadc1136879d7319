package org.pressboard.rows;

import static java.util.Locale.ENGLISH;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.change.ChangeFeed;
import org.pressboard.change.Revision;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.table.Table;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

/** What is read where a change is not seen yet, of which was heard, is not kept as if it were. */
class LaggingTest extends StoreTest {

    @Autowired
    private Rows rows;

    @Autowired
    private ChangeFeed changes;

    private RowQuery query(Table table) {
        return query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10);
    }

    private long count(Table table) {
        return rows.page(query(table), ENGLISH).rows().size();
    }

    @Test
    void whatIsReadBehindTheChangesHeardOfIsKeptUnderItsOwnNumber() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        publisher.open(table.key(), Openness.EVERYONE);
        Eventually.holds(() -> changes.rowsRevision(table.key()).equals(changes.rowsRevision(table.key())));
        inTransaction(() -> {
            // as a database does that follows another and has not come so far yet
            sql.execute("set transaction isolation level repeatable read");
            sql.fetch("select 1");
            Revision before = changes.rowsRevision(table.key());
            DATABASE.execute("insert into hosted." + table.key() + " (name) values ('Bramber')");
            Eventually.holds(() -> changes.rowsRevision(table.key()).number() == before.number() + 1);
            assertThat(changes.isSeen()).isFalse();
            assertThat(count(table)).isEqualTo(1);
        });
        assertThat(count(table)).isEqualTo(2);
        assertThat(inTransaction(changes::isSeen)).isTrue();
    }
}
