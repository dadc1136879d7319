package org.pressboard.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.condition.Standpoint;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** Operands times places of use. */
class OperandsTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey KEEPER = new FieldKey("keeper");
    private static final FieldKey TEAM = new FieldKey("team");
    private static final Table PEOPLE = new Table(new TableKey("people"), "People", new Fields(List.of(
            new Field(NAME, "Name", new Textual.Text()), new Field(new FieldKey("mail"), "Mail", new Textual.Email()),
            new Field(TEAM, "Team", Chosen.Choice.of(List.of("Press"))), new Field(new FieldKey("since"), "Since", new Temporal.Date()),
            new Field(new FieldKey("hours"), "Hours", new Numeric.Decimal(1))))).knownBy(null, null, new FieldKey("mail"));
    private static final Table TREES = new Table(new TableKey("trees"), "Trees", new Fields(List.of(
            new Field(NAME, "Name", new Textual.Text()), new Field(new FieldKey("other"), "Other name", new Textual.Text()),
            new Field(new FieldKey("mail"), "Mail", new Textual.Email()), new Field(TEAM, "Team", Chosen.Choice.of(List.of("Press", "Pick"))),
            new Field(new FieldKey("planted"), "Planted", new Temporal.Date()), new Field(new FieldKey("seen"), "Seen", new Temporal.DateTime()),
            new Field(new FieldKey("hours"), "Hours", new Numeric.Decimal(1)), new Field(new FieldKey("price"), "Price", new Numeric.Money("EUR")),
            new Field(new FieldKey("rare"), "Rare", new FieldType.YesNo()),
            new Field(KEEPER, "Keeper", new Referring.Person(PEOPLE.key(), Referring.OnRemoval.CLEAR)))));
    private static final Tables TABLES = Tables.of(List.of(PEOPLE, TREES));

    /** Somebody of whom everything is known, on a page, at an open row, where all references lead somewhere. */
    private static final Standpoint EVERYTHING = everything();

    private static Standpoint everything() {
        Map<FieldKey, Value> tree = new HashMap<>();
        Operands operands = new Operands(TABLES, TREES, Operands.Use.FORM);
        TREES.fields().forEach(field -> tree.put(field.key(), some(field)));
        operands.waysReferred().forEach(way -> tree.put(way, some(operands.reached(way))));
        Map<FieldKey, Value> person = new HashMap<>();
        PEOPLE.fields().forEach(field -> person.put(field.key(), some(field)));
        return Standpoint.of(new Onlooker("mira@example.org", "Mira", new Row(new RowId(1), person)), LocalDate.of(2026, 11, 30))
                .on(new Standpoint.OnPage("Trees", "trees")).at(new Row(new RowId(7), tree)).referring(tree);
    }

    private static Value some(Field field) {
        return switch (field.type().held()) {
            case DATE -> Value.of(LocalDate.of(2026, 1, 2));
            case MOMENT -> Value.of(LocalDate.of(2026, 1, 2).atStartOfDay());
            case DECIMAL, WHOLE -> Value.of(new java.math.BigDecimal("2.5"));
            case YES_NO -> Value.of(true);
            case ROW -> new Value.Referred(new RowId(1), "Mira");
            default -> Value.of("Press");
        };
    }

    @ParameterizedTest
    @EnumSource
    void whatIsOfferedCanBeHeldAndComesToSomething(Operands.Use place) {
        Set<Operand.Origin> met = EnumSet.noneOf(Operand.Origin.class);
        Operands operands = new Operands(TABLES, TREES, place);
        for (Field field : TREES.fields()) {
            for (Operand operand : operands.offered(field)) {
                met.add(operand.origin().orElseThrow());
                assertThat(TABLES.canHold(TREES, field, operand)).as("%s of %s", operand, field.key()).isTrue();
                Optional<Value> given = field.given(operand, EVERYTHING);
                assertThat(given).as("%s of %s", operand, field.key()).isPresent();
                Condition same = new Condition.Compare(field.key(), Operator.EQUALS, operand);
                assertThat(same.holds(Row.of(new RowId(1), Map.of(field.key(), operand.resolve(EVERYTHING).orElseThrow())), EVERYTHING))
                        .as("%s of %s", operand, field.key()).isTrue();
            }
        }
        assertThat(met).isEqualTo(place.origins());
    }

    @ParameterizedTest
    @EnumSource
    void comparedWithOperandsIsWhatHasOneValue(Operands.Use place) {
        Operands operands = new Operands(TABLES, TREES, place);
        for (Field field : TREES.fields()) {
            for (Comparison is : Comparison.values()) {
                assertThat(operands.offered(field, is)).isSubsetOf(operands.offered(field));
                assertThat(is.isOfOperands() || operands.offered(field, is).isEmpty()).isTrue();
            }
        }
    }

    @Test
    void grantsDependOnNobodysAddressBar() {
        assertThat(Operands.Use.GRANT.origins()).doesNotContain(Operand.Origin.PAGE, Operand.Origin.DIAL, Operand.Origin.OPEN,
                Operand.Origin.REFERRED);
    }

    @Test
    void whatIsSetMustBeAbleToStandThere() {
        Operands set = new Operands(TABLES, PEOPLE, Operands.Use.FORM);
        assertThat(set.offered(PEOPLE.field(TEAM))).doesNotContain(new Operand.OfPage(Operand.PagePart.TITLE));
        Operands trees = new Operands(TABLES, TREES, Operands.Use.FORM);
        assertThat(trees.offered(TREES.field(TEAM))).contains(Operand.OfVisitor.of(TEAM), new Operand.OfReferred(KEEPER.through(TEAM)));
        assertThat(trees.offered(TREES.field(new FieldKey("price")))).isEmpty();
        assertThat(trees.isOffered(TREES.field(new FieldKey("planted")), new Operand.Today(-3))).isTrue();
        assertThat(trees.isOffered(TREES.field(NAME), new Operand.Today(0))).isFalse();
    }
}
