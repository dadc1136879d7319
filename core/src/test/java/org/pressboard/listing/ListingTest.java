package org.pressboard.listing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.table.Computed;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** What a listing asks of other tables and of its page. */
class ListingTest {

    private static final TableKey TREES = new TableKey("trees");
    private static final TableKey PLOTS = new TableKey("plots");
    private static final TableKey KEEPERS = new TableKey("keepers");
    private static final FieldKey TREE = new FieldKey("tree");
    private static final FieldKey PLOT = new FieldKey("plot");
    private static final FieldKey KEEPER = new FieldKey("keeper");
    private static final FieldKey MAIL = new FieldKey("mail");

    private static final Tables TABLES = Tables.of(List.of(
            new Table(TREES, "Trees", new Fields(List.of(new Field(TREE, "Tree", new Textual.Text()),
                    new Field(PLOT, "Plot", to(PLOTS))))),
            new Table(PLOTS, "Plots", new Fields(List.of(
                    new Field(new FieldKey("row"), "Row", new Numeric.WholeNumber(true)), new Field(KEEPER, "Keeper", to(KEEPERS))))),
            new Table(KEEPERS, "Keepers", new Fields(List.of(new Field(MAIL, "Mail", new Textual.Email()))))));

    private static final FieldKey PLOTS_KEEPERS_MAIL = PLOT.through(KEEPER).through(MAIL);

    private static FieldType to(TableKey table) {
        return new Referring.Reference(table, Referring.OnRemoval.CLEAR);
    }

    private static Listing keeping(FieldKey field) {
        return Listing.plain(new ListingKey("trees"), TREES, List.of(TREE))
                .keeping(Condition.compare(field, Operator.EQUALS, Value.of("x")));
    }

    @Test
    void onAnOpenedRowAFieldIsCalledAsInTheListUnlessItIsSaidOtherwise() {
        Listing listing = Listing.plain(new ListingKey("trees"), TREES, List.of(TREE));
        Shown called = Shown.usual(TREE).labelled("Number");
        Listing labelled = listing.with(listing.show().changing(TREE, look -> called))
                .with(Opening.NONE.showing(List.of(Shown.usual(PLOT), Shown.usual(TREE))));
        assertThat(labelled.opened()).containsExactly(Shown.usual(PLOT), called);
        Shown own = Shown.usual(TREE).labelled("The tree");
        assertThat(labelled.with(Opening.NONE.showing(List.of(own))).opened()).containsExactly(own);
    }

    @Test
    void fieldsOfOtherTablesStandBesideItsOwn() {
        assertThat(TABLES.within(TABLES.get(TREES))).containsExactly(PLOT.through(new FieldKey("row")), PLOT.through(KEEPER),
                PLOTS_KEEPERS_MAIL);
        Table reaching = TABLES.reaching(TABLES.get(TREES), TABLES.within(TABLES.get(TREES)));
        Field mail = reaching.field(PLOTS_KEEPERS_MAIL);
        assertThat(mail.label()).isEqualTo("Plot: Keeper: Mail");
        assertThat(mail.type()).isEqualTo(new Textual.Email());
        assertThat(mail.computed()).isEqualTo(new Computed.Borrowed(List.of(PLOT, KEEPER), MAIL));
        assertThat(TABLES.reaching(TABLES.get(TREES), List.of(PLOT.through(MAIL), new FieldKey("no").through(MAIL), TREE)))
                .isEqualTo(TABLES.get(TREES));
    }

    @Test
    void aConditionThroughReferencesHoldsAsLongAsTheWayIsThere() {
        Listing listing = keeping(PLOTS_KEEPERS_MAIL);
        assertThat(listing.reached()).containsExactly(PLOTS_KEEPERS_MAIL);
        assertThat(listing.among(TABLES).keep()).isEqualTo(listing.keep());
        assertThat(keeping(PLOT.through(MAIL)).among(TABLES).keep()).isEqualTo(Condition.NEVER);
    }

    @Test
    void eachStepOfTheWayIsUsed() {
        Listing listing = keeping(PLOTS_KEEPERS_MAIL);
        assertThat(listing.uses(TABLES, KEEPERS, MAIL)).isTrue();
        assertThat(listing.uses(TABLES, PLOTS, KEEPER)).isTrue();
        assertThat(listing.uses(TABLES, TREES, PLOT)).isTrue();
        assertThat(listing.uses(TABLES, TREES, TREE)).isTrue();
        assertThat(listing.uses(TABLES, PLOTS, new FieldKey("row"))).isFalse();
    }

    @Test
    void whatIsTakenOfThePageIsThatOfThePageItIsOn() {
        Condition titled = new Condition.Compare(TREE, Operator.EQUALS, new Operand.OfPage(Operand.PagePart.TITLE));
        Condition addressed = new Condition.Compare(TREE, Operator.EQUALS, new Operand.OfPage(Operand.PagePart.ADDRESS));
        Listing listing = keeping(TREE).keeping(titled);
        Row row = Row.of(new RowId(1), Map.of(TREE, Value.of("North plot")));
        Standpoint north = Standpoint.NOBODY.on(new Standpoint.OnPage("North plot", "north"));
        assertThat(listing.among(TABLES).keep().holds(row, north)).isTrue();
        assertThat(addressed.holds(row, north)).isFalse();
        assertThat(titled.holds(row, Standpoint.NOBODY)).isFalse();
        assertThat(RowQuery.of(listing, Sight.whole(TABLES, TREES), Visitor.ANYONE, RequestState.startOf(listing), north).matching(List.of(row)))
                .containsExactly(row);
    }

    @Test
    void marksByFieldsThatAreGoneGoAlong() {
        Condition gone = Condition.isEmpty(new FieldKey("gone"));
        Listing listing = keeping(TREE).with(Dress.USUAL.marking(List.of(new Mark(gone, Mark.Style.STRUCK, Mark.Colour.MOSS))));
        assertThat(listing.among(TABLES).dress().marks()).isEmpty();
    }

    @Test
    void aControlThatDoesNotFitTheKindIsTheUsualOne() {
        NarrowBy tags = NarrowBy.usual(TREE).by(NarrowBy.ControlKind.TAGS, true, true);
        assertThat(tags.wayFor(new FieldType.YesNo())).isEqualTo(NarrowBy.ControlKind.TAGS);
        assertThat(tags.wayFor(new Numeric.WholeNumber(true))).isEqualTo(NarrowBy.ControlKind.RANGE);
        assertThat(NarrowBy.usual(TREE).wayFor(new Textual.Text())).isEqualTo(NarrowBy.ControlKind.CONTAINS);
        assertThat(NarrowBy.offered(new Textual.LongText())).isEqualTo(EnumSet.of(NarrowBy.ControlKind.CONTAINS));
        Finding find = Finding.by(List.of(), List.of(TREE)).changing(TREE, each -> tags);
        assertThat(find.controls()).containsExactly(tags);
        assertThat(find.changing(TREE, each -> NarrowBy.usual(TREE)).by()).isEmpty();
    }

    /** Rows that somebody does not see would be taken away with those that they do. */
    @Test
    void severalRowsAreNotGivenTheSameRowsOrFiles() {
        Field references = new Field(TREE, "Trees", new Referring.References(TREES, Referring.OnRemoval.CLEAR));
        assertThat(Changing.canBeTyped(references)).isTrue();
        assertThat(Changing.canBeSame(references)).isFalse();
        assertThat(Changing.canBeSame(new Field(TREE, "Tree", new Textual.Text()))).isTrue();
        assertThat(Changing.canBeTyped(new Field(TREE, "Tree", new Attached.Picture()))).isFalse();
    }
}
