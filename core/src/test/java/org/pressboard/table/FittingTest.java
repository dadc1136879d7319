package org.pressboard.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

class FittingTest {

    private static final TableKey PEOPLE = new TableKey("people");
    private static final FieldKey FIELD = new FieldKey("field");
    private static final long SEED = 20261130;

    private static Table of(FieldType type) {
        return new Table(new TableKey("rows"), "Rows", new Fields(List.of(new Field(FIELD, "Field", type))));
    }

    private static Tables around(Table table) {
        Table people = new Table(PEOPLE, "People", new Fields(List.of(new Field(new FieldKey("mail"), "Mail", new Textual.Email()),
                new Field(new FieldKey("team"), "Team", Chosen.Choice.of(List.of("Press")))))).knownBy(null, null, new FieldKey("mail"));
        return Tables.of(List.of(people, table, Cases.TABLE));
    }

    @Test
    void allThatCanBeSaidOfATableFits() {
        RandomGenerator random = Cases.random(SEED);
        Tables tables = Tables.alone(Cases.TABLE);
        for (int i = 0; i < 1_000; i++) {
            Condition condition = Cases.condition(random, 3);
            assertThat(tables.canAsk(Cases.TABLE, condition)).as("%s", condition).isTrue();
        }
    }

    /** Whatever kinds fields become: what still fits can be worked out, and what does not is not shown as if it were. */
    @Test
    void whatFitsAfterFieldsBecameOtherKindsCanBeWorkedOut() {
        RandomGenerator random = Cases.random(SEED);
        int fitting = 0;
        for (int i = 0; i < 2_000; i++) {
            Table retyped = Cases.shuffled(random);
            List<Row> rows = Cases.rows(retyped, random, 5);
            Condition condition = Cases.condition(random, 1);
            if (Tables.alone(retyped).canAsk(retyped, condition)) {
                fitting++;
                rows.forEach(row -> assertThat(condition.holds(row, Cases.MIRA)).isIn(true, false));
            }
        }
        assertThat(fitting).isBetween(100, 1_900);
    }

    @Test
    void aListThatKeepsByAFieldOfAnotherKindKeepsNothing() {
        Listing listing = Listing.plain(new ListingKey("rows"), new TableKey("rows"), List.of(FIELD))
                .keeping(Condition.compare(FIELD, Operator.DIFFERS, Value.of("3")));
        Table text = of(new Textual.Text());
        Table number = of(new Numeric.WholeNumber(true));
        assertThat(listing.of(around(text), text).isBroken()).isFalse();
        assertThat(listing.of(around(number), number).isBroken()).isTrue();
    }

    @Test
    void whatIsTakenOfTheVisitorMustBeOfTheKind() {
        Operand team = Operand.OfVisitor.of(new FieldKey("team"));
        Operand gone = Operand.OfVisitor.of(new FieldKey("gone"));
        Referring toPeople = new Referring.Person(PEOPLE, Referring.OnRemoval.CLEAR);
        Referring toApples = new Referring.Reference(Cases.TABLE.key(), Referring.OnRemoval.CLEAR);
        Map<FieldType, List<Operand>> fitting = Map.of(new Textual.Text(), List.of(team, Operand.OfVisitor.EMAIL, Operand.OfVisitor.NAME),
                toPeople, List.of(Operand.OfVisitor.ROW), toApples, List.of(), new Numeric.Decimal(2), List.of(),
                new Temporal.Date(), List.of(new Operand.Today(1), new Operand.Beginning(Operand.Span.WEEK, 0)));
        List<Operand> all = List.of(team, gone, Operand.OfVisitor.EMAIL, Operand.OfVisitor.NAME, Operand.OfVisitor.ROW,
                new Operand.Today(1), new Operand.Beginning(Operand.Span.WEEK, 0));
        fitting.forEach((type, operands) -> {
            Table table = of(type);
            assertThat(all.stream().filter(each -> around(table).canHold(table, table.field(FIELD), each))).as("%s", type)
                    .containsExactlyInAnyOrderElementsOf(operands);
        });
    }
}
