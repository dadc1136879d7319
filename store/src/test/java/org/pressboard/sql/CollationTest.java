package org.pressboard.sql;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.pressboard.condition.Cases;
import org.pressboard.grant.Sight;
import org.pressboard.listing.SortBy;
import org.pressboard.table.Table;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.PublishedOrder;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** PostgreSQL sorts texts in the published orders, as the core does in memory. */
class CollationTest extends StoreTest {

    static List<PublishedOrder> published() {
        return PublishedOrder.ALL;
    }

    @ParameterizedTest
    @MethodSource("published")
    void textsComeInThePublishedOrder(PublishedOrder order) {
        Table table = tableWith(order.shuffled().stream().map(text -> new Row(new RowId(1), Map.of(Cases.NAME, Value.of(text)))).toList());
        TableSql tableSql = TableSql.of(Sight.of(table), Cases.NOBODY, Locale.forLanguageTag(order.language()));
        assertThat(inTransaction(() -> sql.select(tableSql.shown(Cases.NAME)).from(tableSql.asTable())
                .orderBy(tableSql.order(List.of(SortBy.up(Cases.NAME)), false)).fetch(0, String.class)))
                .containsExactlyElementsOf(order.texts());
    }
}
