package org.pressboard.rows;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.random.RandomGenerator;
import java.util.stream.LongStream;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.Total;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.testing.Eventually;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.Row;

import org.pressboard.value.TextOrder;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

class RowsTest extends StoreTest {

    private static final long SEED = 7;
    private static final TextOrder ORDER = TextOrder.of(ENGLISH);
    private static final Visitor STAFF = Visitor.staff("owner@example.org");

    @Autowired
    private Rows rows;

    @Test
    void pagesAreThoseOfMemoryForwardsBackwardsAndAtRandom() {
        RandomGenerator random = Cases.random(SEED);
        List<Row> all = Cases.rows(random, 83);
        Table table = tableWith(all);
        publisher.open(table.key(), Openness.EVERYONE);
        for (int i = 0; i < 60; i++) {
            Condition within = random.nextBoolean() ? Condition.ALWAYS : Cases.condition(random, 1);
            Visitor visitor = random.nextBoolean() ? Visitor.ANYONE : STAFF;
            RowQuery query = query(table, visitor, within, order(random), 1, 10);
            for (int page : pages(random)) {
                assertSameAsMemory(query.onPage(page), all);
            }
        }
    }

    /** Forwards uses the anchors, backwards finds them again, the rest has to count its way. */
    private static List<Integer> pages(RandomGenerator random) {
        return random.nextBoolean() ? List.of(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 3, 2) : List.of(8, 9, 1, 6, 7, 20);
    }

    private static List<SortBy> order(RandomGenerator random) {
        List<SortBy> order = new ArrayList<>();
        int count = random.nextInt(3);
        for (int i = 0; i < count; i++) {
            Field field = Cases.pick(Cases.TABLE.fields().all(), random);
            order.add(new SortBy(field.key(), random.nextBoolean()));
        }
        return order;
    }

    private void assertSameAsMemory(RowQuery query, List<Row> all) {
        RowPage page = rows.page(query, ENGLISH);
        String what = "seed " + SEED + ", " + query.order() + ", page " + query.page() + ", " + query.within();
        assertThat(page.rows()).as(what).isEqualTo(query.pageOf(all, ORDER));
        int matching = query.matching(all).size();
        assertThat(page.found()).as(what).isEqualTo(new Total.Exactly(matching));
        assertThat(page.hasMore()).as(what).isEqualTo(matching > query.offset() + query.size());
        // and once more, from what is kept
        assertThat(rows.page(query, ENGLISH).rows()).as(what).isEqualTo(page.rows());
    }

    @Test
    void whatIsKeptInOneLanguageIsNotGivenInAnother() {
        Table table = tableWith(List.of(Cases.named("z"), Cases.named("ö"), Cases.named("o")));
        RowQuery query = query(table, STAFF, Condition.ALWAYS, List.of(SortBy.up(Cases.NAME)), 1, 10);
        assertThat(rows.page(query, ENGLISH).rows()).extracting(row -> row.id().number()).containsExactly(3L, 2L, 1L);
        assertThat(rows.page(query, Locale.forLanguageTag("sv")).rows()).extracting(row -> row.id().number())
                .containsExactly(3L, 1L, 2L);
    }

    @Test
    void ofTextsWithoutEndThereIsTheBeginningToLookAtAndAllOfItUpToABound() {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (name, weeks) select repeat('x', 1000000), i "
                + "from generate_series(1, 20) i", name("hosted", table.key().name())));
        RowQuery query = new RowQuery(Sight.of(table), STAFF, STAFF.at(Cases.midnight()), Condition.ALWAYS, Condition.ALWAYS,
                List.of(), 1, 25, List.of(Cases.NAME, Cases.WEEKS));
        assertThat(rows.page(query, ENGLISH).rows()).hasSize(20).allSatisfy(row ->
                assertThat(((Value.Text) row.get(Cases.NAME)).text()).hasSize(4_000));
        assertThatThrownBy(() -> rows.wholePage(query, ENGLISH)).hasMessageContaining("page-too-large");
        RowQuery few = new RowQuery(Sight.of(table), STAFF, STAFF.at(Cases.midnight()), Condition.ALWAYS, Condition.ALWAYS, List.of(), 1,
                5, List.of(Cases.NAME));
        assertThat(rows.wholePage(few, ENGLISH).rows()).allSatisfy(row ->
                assertThat(((Value.Text) row.get(Cases.NAME)).text()).hasSize(1_000_000));
    }

    @Test
    void rowsOfATableThatNobodyIsGrantedStayWithStaff() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        assertThat(rows.page(query(table, STAFF, Condition.ALWAYS, List.of(), 1, 10), ENGLISH).rows()).hasSize(1);
        RowQuery refused = query(table, Visitor.ANYONE,
                catalog.published().maySee(Visitor.ANYONE, table.key()).rows(), List.of(), 1, 10);
        assertThat(rows.page(refused, ENGLISH).rows()).isEmpty();
    }

    /** The first lock is left open on purpose: the second shows too few rows, never too many. */
    @Test
    void anErrorInTheFirstLockShowsNothingThatTheSecondForbids() {
        Table table = tableWith(List.of(Cases.named("Hollin"), Cases.named("Bramber")));
        Condition onlyHollin = Condition.compare(Cases.NAME, Operator.EQUALS, Value.of("Hollin"));
        publisher.grant(table.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, onlyHollin))));
        RowPage page = rows.page(query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10), ENGLISH);
        assertThat(page.rows()).extracting(row -> row.get(Cases.NAME)).containsExactly(Value.of("Hollin"));
    }

    @Test
    void whatIsKeptIsForgottenWhenRowsChangeByWhateverTool() {
        Table table = tableWith(List.of(Cases.named("Hollin")));
        publisher.open(table.key(), Openness.EVERYONE);
        RowQuery query = query(table, Visitor.ANYONE, Condition.ALWAYS, List.of(), 1, 10);
        assertThat(rows.page(query, ENGLISH).rows()).hasSize(1);
        DATABASE.execute("insert into hosted." + table.key() + " (name) values ('Bramber')");
        Eventually.holds(() -> rows.page(query, ENGLISH).rows().size() == 2);
        assertThat(rows.page(query, ENGLISH).outOf()).isEqualTo(new Total.Exactly(2));
    }

    @Test
    void manyRowsAreCountedToABoundAndToTheEndWhenAsked() {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (name) select 'n' || i from generate_series(1, 50010) i",
                name("hosted", table.key().name())));
        publisher.open(table.key(), Openness.EVERYONE);
        RowQuery query = new RowQuery(Sight.of(table), Visitor.ANYONE, Visitor.ANYONE.at(Cases.midnight()), Condition.ALWAYS,
                Condition.compare(Cases.NAME, Operator.BEGINS, Value.of("N")), List.of(), 1, 10, List.of(Cases.NAME));
        assertThat(rows.page(query, ENGLISH).found()).isInstanceOf(Total.MoreThan.class);
        assertThat(rows.countToEnd(query, ENGLISH)).isEqualTo(new Total.Exactly(50_010));
        assertThat(rows.page(query, ENGLISH).found()).isEqualTo(new Total.Exactly(50_010));
        DATABASE.execute("delete from hosted." + table.key() + " where row_id <= 20");
        Eventually.holds(() -> !rows.page(query, ENGLISH).found().equals(new Total.Exactly(50_010)));
        Eventually.holds(() -> rows.page(query, ENGLISH).found().equals(new Total.Exactly(49_990)));
    }

    @Test
    void pagesFarBehindAreThoseThatCountingTheWayFinds() {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (name, weeks) select 'n' || i, nullif(i * 7919 % 30011, 5) "
                + "from generate_series(1, 30000) i", name("hosted", table.key().name())));
        RowQuery query = query(table, STAFF, Condition.ALWAYS, List.of(SortBy.down(Cases.WEEKS)), 1, 10);
        for (int page : List.of(1_500, 1_501, 1_500, 1_499, 3_000, 2_999, 3_001, 1)) {
            assertThat(ids(query.onPage(page))).as("page %d", page).isEqualTo(countedTo(query.onPage(page)));
        }
        DATABASE.execute("delete from hosted." + table.key() + " where weeks % 97 = 3");
        Eventually.holds(() -> rows.countToEnd(query, ENGLISH).rows() < 30_000);
        for (int page : List.of(1_490, 2_100, 1_000, 2_960, 2_970, 2_969)) {
            assertThat(ids(query.onPage(page))).as("page %d", page).isEqualTo(countedTo(query.onPage(page)));
        }
    }

    private List<Long> ids(RowQuery query) {
        return rows.page(query, ENGLISH).rows().stream().map(row -> row.id().number()).toList();
    }

    private List<Long> countedTo(RowQuery query) {
        return sql.fetch("select row_id from {0} order by weeks desc nulls last, row_id desc limit {1} offset {2}",
                name("hosted", query.table().key().name()), DSL.inline(query.size()), DSL.inline(query.offset()))
                .getValues(0, Long.class);
    }

    /** Common words are met on the way, rare ones are looked up, and those that come late need the whole way. */
    @Test
    void wordsAreFoundInOrderHoweverCommonTheyAre() {
        Table table = tableWith(List.of());
        inTransaction(() -> sql.execute("insert into {0} (name, weeks) select case when i % 3 = 0 then 'common ' "
                + "else '' end || case when i % 9000 = 0 then 'rare ' else '' end || case when i > 9000 then 'late' "
                + "else '' end, i from generate_series(1, 45000) i", name("hosted", table.key().name())));
        assertThat(ids(sought(table, "common", 2))).containsExactly(33L, 36L, 39L, 42L, 45L, 48L, 51L, 54L, 57L, 60L);
        assertThat(ids(sought(table, "common", 120))).isEqualTo(
                LongStream.rangeClosed(1_191, 1_200).map(i -> 3 * i).boxed().toList());
        assertThat(ids(sought(table, "rare", 1))).containsExactly(9_000L, 18_000L, 27_000L, 36_000L, 45_000L);
        assertThat(ids(sought(table, "late", 3))).isEqualTo(LongStream.rangeClosed(9_021, 9_030).boxed().toList());
        assertThat(ids(sought(table, "late", 2))).isEqualTo(LongStream.rangeClosed(9_011, 9_020).boxed().toList());
        assertThat(rows.page(sought(table, "rare", 1), ENGLISH).found()).isEqualTo(new Total.Exactly(5));
        assertThat(rows.page(sought(table, "none", 1), ENGLISH).found()).isEqualTo(new Total.Exactly(0));
    }

    private static RowQuery sought(Table table, String word, int page) {
        return new RowQuery(Sight.of(table), STAFF, STAFF.at(Cases.midnight()), Condition.ALWAYS,
                Condition.compare(Cases.NAME, Operator.CONTAINS, Value.of(word)), List.of(SortBy.up(Cases.WEEKS)), page,
                10, List.of(Cases.NAME));
    }
}
