package org.pressboard.rows;

import static org.assertj.core.api.Assertions.assertThat;
import static org.jooq.impl.DSL.name;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.mockingDetails;
import static org.mockito.Mockito.spy;

import java.time.Duration;
import java.util.List;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Total;
import org.pressboard.table.Table;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;

/** One visitor at most waits to find out that counting takes long. */
class RowCountsTest extends StoreTest {

    private static final int MANY = RowCounts.BOUND + 10;
    private static final long KNOWN = 26;

    @Autowired
    private Revisions revisions;

    @Autowired
    private PlatformTransactionManager transactions;

    private final BackgroundReading nothingInTheBackground = mock();

    @Test
    void moreThanTheBoundAreCountedOnce() {
        RowQuery query = many();
        DSLContext counting = spy(sql);
        RowCounts counts = counted(counting, query, Duration.ofSeconds(10), new Total.MoreThan(RowCounts.BOUND));
        assertThat(tries(counting)).isEqualTo(1);
        assertThat(counts.countToEnd(query, ENGLISH)).isEqualTo(new Total.Exactly(MANY));
        assertThat(counts.count(query, ENGLISH, KNOWN)).isEqualTo(new Total.Exactly(MANY));
    }

    @Test
    void whatTookTooLongIsNotTriedAgain() {
        DSLContext counting = spy(sql);
        counted(counting, many(), Duration.ofMillis(1), new Total.MoreThan(KNOWN - 1));
        // the time may be up before the counting itself begins
        assertThat(tries(counting)).isLessThanOrEqualTo(1);
    }

    /** Three ask, and all get that answer. */
    private RowCounts counted(DSLContext counting, RowQuery query, Duration longest, Total answer) {
        RowCounts counts = new RowCounts(counting, revisions, nothingInTheBackground, transactions, longest,
                Duration.ofNanos(1));
        for (int asker = 0; asker < 3; asker++) {
            assertThat(counts.count(query, ENGLISH, KNOWN)).isEqualTo(answer);
        }
        assertThat(counts.known(query)).isNull();
        return counts;
    }

    private static long tries(DSLContext counting) {
        return mockingDetails(counting).getInvocations().stream().filter(call -> call.getMethod().getName().equals("fetchValue"))
                .count();
    }

    private RowQuery many() {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (name) select 'n' || i from generate_series(1, " + MANY + ") i",
                name("hosted", table.key().name())));
        publisher.open(table.key(), Openness.EVERYONE);
        return query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10);
    }
}
