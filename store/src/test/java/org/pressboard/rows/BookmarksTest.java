package org.pressboard.rows;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.table.Table;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class BookmarksTest extends StoreTest {

    private static final Visitor STAFF = Visitor.staff("owner@example.org");
    private static final int FAR = 1_100;

    @Autowired
    private Rows rows;

    @Autowired
    private Bookmarks bookmarks;

    @Test
    void anOrderInWhichSomebodyWentFarIsLeafedThroughAgainWhenItsRowsHaveChanged() {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (weeks) select i from generate_series(1, 12000) i",
                name("hosted", table.key().name())));
        RowQuery far = query(table, STAFF, Condition.ALWAYS, List.of(SortBy.down(Cases.WEEKS)), FAR, 10);
        RowQuery near = query(table, STAFF, Condition.ALWAYS, List.of(SortBy.up(Cases.WEEKS)), 1, 10);
        rows.page(far, ENGLISH);
        Eventually.holds(() -> marks(far).isThroughout());

        long before = rows.revision(far);
        DATABASE.execute("delete from hosted." + table.key() + " where weeks = 12000");
        Eventually.holds(() -> rows.revision(far) != before);
        rows.page(near, ENGLISH);
        rows.page(far.onPage(1), ENGLISH);
        Eventually.holds(() -> marks(far).isThroughout());
        Route way = marks(far).to(far.offset(), far.size(), null);
        assertThat(way.skip()).isLessThan(1_000);
        assertThat(way.from()).isNotNull();
        assertThat(marks(near).isThroughout()).isFalse();
    }

    private Marks marks(RowQuery query) {
        return bookmarks.of(rows.revision(query), query, ENGLISH);
    }
}
