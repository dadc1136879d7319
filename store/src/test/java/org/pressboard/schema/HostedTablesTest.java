package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.condition.Cases;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class HostedTablesTest extends StoreTest {

    @Autowired
    private TableChanges changes;

    @Autowired
    private IndexUpkeep upkeep;

    @Test
    void columnsHaveReadableNamesAndFittingTypes() throws SQLException {
        Table table = tableWith(List.of());
        List<String> columns = sql.fetch("select column_name || ' ' || data_type from information_schema.columns "
                        + "where table_schema = 'hosted' and table_name = {0} order by ordinal_position",
                DSL.val(table.key().name())).into(String.class);
        assertThat(columns).startsWith("row_id bigint", "name text", "notes text", "use text", "keeper text",
                "weeks bigint", "sugar numeric", "rare boolean", "planted date", "seen timestamp without time zone");
    }

    @Test
    void withoutAGrantTheVisitorsRoleGetsNothing() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        assertThat(count(table, "ANYONE")).isZero();
        assertThat(count(table, "MEMBER")).isZero();
        publisher.open(table.key(), Openness.MEMBERS);
        assertThat(count(table, "ANYONE")).isZero();
        assertThat(count(table, "MEMBER")).isEqualTo(1);
        publisher.open(table.key(), Openness.EVERYONE);
        assertThat(count(table, "ANYONE")).isEqualTo(1);
        publisher.open(table.key(), Openness.NOBODY);
        assertThat(count(table, "MEMBER")).isZero();
    }

    @ParameterizedTest
    @ValueSource(strings = {"insert into hosted.%s (name) values ('x')", "update hosted.%s set name = 'x'",
        "delete from hosted.%s", "truncate hosted.%s", "drop table hosted.%s", "select * from pressboard.account"})
    void theVisitorsRoleMayOnlyRead(String statement) {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        publisher.open(table.key(), Openness.EVERYONE);
        assertThatThrownBy(() -> asVisitor(statement.formatted(table.key())))
                .hasMessageMatching("(?s).*(permission denied|must be owner).*");
    }

    @Test
    void whatTheCatalogSaysAndWhatTheDatabaseEnforcesChangeTogether() {
        Table table = tableWith(List.of());
        publisher.open(table.key(), Openness.EVERYONE);
        assertThat(catalog.published().maySee(Visitor.ANYONE, table.key()).isAllowed()).isTrue();
        assertThatThrownBy(() -> inTransaction(() -> {
            publisher.open(table.key(), Openness.NOBODY);
            throw new IllegalStateException("breaks off");
        })).hasMessage("breaks off");
        assertThat(catalog.published().maySee(Visitor.ANYONE, table.key()).isAllowed()).isTrue();
        assertThat(count(table, "ANYONE")).isZero(); // it is empty, and may be asked
    }

    @Test
    void publishingMakesTheIndexesThatSearchAndOrderUse() {
        Table table = tableWith(List.of());
        Listing listing = publishWithRows(table, 20_000);
        Eventually.holds(() -> publisher.indexProgress(listing).isComplete());
        assertThat(publisher.indexProgress(listing).wanted()).isGreaterThan(7);
        assertThat(plan("select row_id from hosted." + table.key() + " where search_text like '%abcdef%'"))
                .contains("_search_");
        assertThat(plan("select row_id from hosted." + table.key() + " where weeks is not null "
                + "order by weeks desc, row_id desc limit 25")).contains("Index").contains("_order_");
        // made again, nothing happens
        upkeep.complete();
        assertThat(publisher.indexProgress(listing).isComplete()).isTrue();
    }

    @Test
    void choicesAreSortedByAnIndexOfTheirOwnersOrderWhichFollowsThatOrder() {
        Table table = tableWith(List.of());
        Listing listing = publishWithRows(table, 20_000);
        inTransaction(() -> sql.execute("update {0} set use = (array['Eating', 'Cooking', 'Cider'])[1 + weeks % 3]",
                name("hosted", table.key().name())));
        Eventually.holds(() -> publisher.indexProgress(listing).isComplete());
        String first = rankIndex(table);
        inTransaction(() -> sql.execute("analyze {0}", name("hosted", table.key().name())));
        assertThat(plan(firstByUse(table))).contains("Index").contains(first);

        Field use = table.field(Cases.USE);
        changes.changeField(table.key(), use.of(Chosen.Choice.of(List.of("Cider", "Cooking", "Juice", "Eating"))), OWNER);
        Table changed = catalog.tables().get(table.key());
        Eventually.holds(() -> !rankIndex(changed).isEmpty() && !rankIndex(changed).contains(first));
        assertThat(plan(firstByUse(changed))).contains("Index").contains(rankIndex(changed));
        assertThat(sql.fetch(firstByUse(changed)).getValues(1, String.class)).containsOnly("Cider");
    }

    private String rankIndex(Table table) {
        return sql.fetch("select indexrelid::regclass::text from pg_index where indrelid = {0}::regclass and indisvalid "
                + "and indexrelid::regclass::text like '%\\_rank\\_%'", DSL.val("hosted." + table.key()))
                .getValues(0, String.class).stream().collect(Collectors.joining(" ")).replace("hosted.", "");
    }

    private String firstByUse(Table table) {
        TableSql as = TableSql.plain(table);
        return sql.renderInlined(DSL.select(as.rowId(), as.shown(Cases.USE)).from(as.asTable())
                .where(as.shown(Cases.USE).isNotNull()).orderBy(as.sorted(Cases.USE), as.rowId()).limit(25));
    }

    /** Each would wait for the other: these indexes for whoever alters the table, and that for them. */
    @Test
    void aTableCanBeOpenedAndRemovedWhileItsIndexesAreMade() {
        Table table = tableWith(List.of());
        Listing listing = publishWithRows(table, 100_000);
        Eventually.holds(() -> isMakingIndexes(table));
        publisher.open(table.key(), Openness.MEMBERS);
        assertThat(catalog.published().maySee(Visitor.ANYONE, table.key()).isAllowed()).isFalse();
        Eventually.holds(() -> publisher.indexProgress(listing).isComplete());

        Table another = tableWith(List.of());
        publishWithRows(another, 100_000);
        Eventually.holds(() -> isMakingIndexes(another));
        publisher.remove(another.key());
        assertThat(catalog.table(another.key())).isEmpty();
        Eventually.holds(() -> !isMakingIndexes(another));
    }

    private boolean isMakingIndexes(Table table) {
        return sql.fetchExists(sql.selectOne().from("pg_stat_activity").where(
                "state = 'active' and query like {0}",
                DSL.val("create index concurrently%\"" + table.key() + "\"%")));
    }

    private Listing publishWithRows(Table table, int rows) {
        inTransaction(() -> sql.execute("insert into {0} (name, weeks) "
                + "select md5(i::text), i from generate_series(1, {1}) i", name("hosted", table.key().name()),
                DSL.inline(rows)));
        PageKey page = new PageKey("indexed-" + table.key().name().replace('_', '-'));
        Listing listing = Suggestion.forTable(table, new ListingKey(page.name()), field -> true);
        inTransaction(() -> catalog.addPage(new Page(page, "Indexed", List.of(listing))));
        publisher.publish(page, Map.of(table.key(), Openness.EVERYONE), null);
        return listing;
    }

    @Test
    void removingATableRemovesItsRowsAndItsPages() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        PageKey page = new PageKey("gone-" + table.key().name().replace('_', '-'));
        inTransaction(() -> catalog.addPage(new Page(page, "Gone",
                List.of(Suggestion.forTable(table, new ListingKey(page.name()), field -> true)))));
        publisher.publish(page, Map.of(table.key(), Openness.EVERYONE), null);
        publisher.remove(table.key());
        assertThat(catalog.table(table.key())).isEmpty();
        assertThat(catalog.published().edition(page)).isEmpty();
        assertThat((String) sql.fetchValue("select to_regclass({0})::text",
                DSL.val("hosted." + table.key()))).isNull();
    }

    private String plan(String statement) {
        return sql.fetch("explain " + statement).formatCSV();
    }

    private long count(Table table, String kind) {
        try {
            return countAsVisitor(table, kind);
        } catch (SQLException failed) {
            throw new IllegalStateException(failed);
        }
    }

    private static long countAsVisitor(Table table, String kind) throws SQLException {
        try (Connection connection = DATABASE.connect(); Statement statement = connection.createStatement()) {
            statement.execute("set role pressboard_visitor");
            statement.execute("select set_config('pressboard.kind', '" + kind + "', false)");
            try (ResultSet result = statement.executeQuery("select count(*) from hosted." + table.key())) {
                result.next();
                return result.getLong(1);
            }
        }
    }

    private static void asVisitor(String sql) throws SQLException {
        try (Connection connection = DATABASE.connect(); Statement statement = connection.createStatement()) {
            statement.execute("set role pressboard_visitor");
            statement.execute(sql);
        }
    }
}
