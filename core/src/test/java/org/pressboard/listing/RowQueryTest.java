package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;

import org.pressboard.value.RowId;
import org.pressboard.value.TextOrder;
import org.pressboard.value.Value;

class RowQueryTest {

    private static final List<Row> ROWS = List.of(row(1, "b", 3L), row(2, null, 1L), row(3, "Å", null), row(4, "a", 3L),
            row(5, "B", 2L));
    private static final TextOrder ENGLISH = TextOrder.of(Locale.ENGLISH);

    @Test
    void emptyValuesComeLastInBothDirections() {
        assertThat(ids(query(SortBy.up(Cases.NAME)))).containsExactly(4L, 3L, 1L, 5L, 2L);
        assertThat(ids(query(SortBy.down(Cases.NAME)))).containsExactly(5L, 1L, 3L, 4L, 2L);
    }

    @Test
    void rowsAlikeFollowByNumberInTheSameDirection() {
        assertThat(ids(query(SortBy.up(Cases.WEEKS)))).containsExactly(2L, 5L, 1L, 4L, 3L);
        assertThat(ids(query(SortBy.down(Cases.WEEKS)))).containsExactly(4L, 1L, 5L, 2L, 3L);
    }

    @Test
    void pagesFollowEachOther() {
        RowQuery query = query(SortBy.up(Cases.NAME)).onPage(2);
        RowQuery two = new RowQuery(query.sight(), query.visitor(), query.standpoint(), query.within(), query.sought(),
                query.order(), 2, 2, query.show());
        assertThat(ids(two)).containsExactly(1L, 5L);
        assertThat(ids(two.onPage(3))).containsExactly(2L);
        assertThat(ids(two.onPage(4))).isEmpty();
    }

    @Test
    void whatIsNotGrantedNeverMatches() {
        RowQuery refused = RowQuery.of(listing(Condition.ALWAYS), 
                Sight.of(Cases.TABLE).seeing(Condition.NEVER), Visitor.ANYONE, start(), Cases.NOBODY);
        assertThat(refused.matching(ROWS)).isEmpty();
    }

    @Test
    void grantKeepAndSearchAllCount() {
        Condition keep = Condition.compare(Cases.WEEKS, Operator.AT_LEAST, Value.of(2));
        Condition granted = Condition.compare(Cases.NAME, Operator.DIFFERS, Value.of("B"));
        RowQuery query = RowQuery.of(listing(keep), Sight.of(Cases.TABLE).seeing(granted), Visitor.ANYONE,
                start().withSearch("b"), Cases.NOBODY);
        assertThat(query.matching(ROWS)).extracting(row -> row.id().number()).containsExactly(1L);
        assertThat(query.withoutSearch().matching(ROWS)).extracting(row -> row.id().number()).containsExactly(1L, 4L);
    }

    @Test
    void aSuggestedListingSortsByWhatNamesTheRowAndNarrowsByWhatIsShown() {
        Listing suggested = Suggestion.forTable(Cases.TABLE, new ListingKey("apples"), Cases.NAME::equals);
        assertThat(suggested.order()).containsExactly(SortBy.up(Cases.NAME));
        assertThat(suggested.find().narrow()).containsExactly(Cases.USE, Cases.RARE, Cases.PLANTED, Cases.SEEN, Cases.WEEKS,
                Cases.SUGAR);
        assertThat(suggested.shown()).doesNotContain(Cases.NOTES).hasSize(8);
        assertThat(suggested.find().search()).containsExactly(Cases.NAME, Cases.USE, Cases.KEEPER);
    }

    @Test
    void withoutAFieldThatNamesTheRowsTheyStayAsTheFileHadThem() {
        assertThat(Suggestion.forTable(Cases.TABLE, new ListingKey("apples"), field -> false).order()).isEmpty();
        FieldKey weight = new FieldKey("weight");
        Table figures = new Table(Cases.TABLE.key(), "Figures", new Fields(List.of(
                new Field(weight, "Weight", new Numeric.Decimal(1)),
                new Field(Cases.NAME, "Name", new Textual.Text()))));
        assertThat(Suggestion.forTable(figures, new ListingKey("figures"), field -> true).order()).isEmpty();
    }

    @Test
    void ofManyFieldsOnlyTheShownOnesCanBeNarrowedBy() {
        List<Field> many = IntStream.range(0, 20).mapToObj(i -> new Field(new FieldKey("f" + i), "F" + i,
                new FieldType.YesNo())).toList();
        Listing suggested = Suggestion.forTable(new Table(Cases.TABLE.key(), "Many", new Fields(many)),
                new ListingKey("many"), field -> true);
        assertThat(suggested.shown()).hasSize(8);
        assertThat(suggested.find().narrow()).isEqualTo(suggested.shown());
    }

    @Test
    void aFieldShownAnewCanBeSearchedAndNarrowedByAndOneHiddenCanNot() {
        Listing all = Suggestion.forTable(Cases.TABLE, new ListingKey("apples"), field -> true);
        Listing other = Suggestion.adding(all.with(all.show().without(Cases.NAME).without(Cases.RARE)),
                Cases.TABLE.field(Cases.NOTES));
        assertThat(other.shown()).doesNotContain(Cases.NAME, Cases.RARE).endsWith(Cases.NOTES);
        assertThat(other.find().search()).containsExactly(Cases.USE, Cases.KEEPER, Cases.NOTES);
        assertThat(other.find().narrow()).containsExactly(Cases.USE, Cases.PLANTED, Cases.SEEN, Cases.WEEKS, Cases.SUGAR);
        Listing again = Suggestion.adding(other, Cases.TABLE.field(Cases.RARE));
        assertThat(again.find().narrow()).endsWith(Cases.RARE);
        assertThat(Suggestion.adding(again, Cases.TABLE.field(Cases.RARE))).isEqualTo(again);
        // where the owner wants no search, a field shown besides does not bring one
        assertThat(Suggestion.adding(all.with(all.find().searching(List.of())), Cases.TABLE.field(Cases.NOTES))
                .find().search()).isEmpty();
    }

    @Test
    void whereAFieldIsGoneTheRestIsShownButNothingIsKeptThatItKept() {
        Listing all = Suggestion.forTable(Cases.TABLE, new ListingKey("apples"), field -> true)
                .keeping(Condition.isEmpty(Cases.RARE))
                .with(Opening.NONE.by(Opening.How.LINK).leadingTo(Cases.RARE).showing(List.of(Shown.usual(Cases.RARE))));
        Table without = Cases.TABLE.with(new Fields(Cases.TABLE.fields().stream()
                .filter(field -> !field.key().equals(Cases.RARE)).toList()));
        Listing left = all.of(Tables.alone(without), without);
        assertThat(left.keep()).isEqualTo(Condition.NEVER);
        assertThat(left.shown()).hasSize(7).doesNotContain(Cases.RARE);
        assertThat(left.find().narrow()).doesNotContain(Cases.RARE);
        assertThat(left.opening().link()).isNull();
        assertThat(left.opening().fields()).isEmpty();
        assertThat(all.of(Tables.alone(Cases.TABLE), Cases.TABLE)).isEqualTo(all);
    }

    @Test
    void aTableOfNothingButLongTextIsShownAllTheSame() {
        FieldKey notes = new FieldKey("notes");
        Table table = new Table(Cases.TABLE.key(), "Notes",
                new Fields(List.of(new Field(notes, "Notes", new Textual.LongText()))));
        Listing suggested = Suggestion.forTable(table, new ListingKey("notes"), field -> true);
        assertThat(suggested.shown()).containsExactly(notes);
        assertThat(suggested.order()).isEmpty();
    }

    private static RowQuery query(SortBy sort) {
        return RowQuery.of(listing(Condition.ALWAYS), Sight.of(Cases.TABLE), Visitor.ANYONE,
                start().withSort(List.of(sort)), Cases.NOBODY);
    }

    private static RequestState start() {
        return RequestState.startOf(listing(Condition.ALWAYS));
    }

    private static Listing listing(Condition keep) {
        return Listing.plain(new ListingKey("apples"), Cases.TABLE.key(), List.of(Cases.NAME)).keeping(keep)
                .with(Finding.by(List.of(Cases.NAME), List.of()));
    }

    private static List<Long> ids(RowQuery query) {
        return query.pageOf(ROWS, ENGLISH).stream().map(row -> row.id().number()).toList();
    }

    private static Row row(long id, String name, Long weeks) {
        Map<FieldKey, Value> values = new java.util.HashMap<>();
        values.put(Cases.NAME, name == null ? null : Value.of(name));
        values.put(Cases.WEEKS, weeks == null ? null : Value.of(weeks));
        return Row.of(new RowId(id), values);
    }
}
