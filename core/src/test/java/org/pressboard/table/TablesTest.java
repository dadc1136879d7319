package org.pressboard.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.table.Computed.Measure;
import org.pressboard.table.Referring.OnRemoval;
import org.pressboard.value.FieldKey;

class TablesTest {

    private static final TableKey PEARS = new TableKey("pears");
    private static final TableKey TREES = new TableKey("trees");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey PEAR = new FieldKey("pear");
    private static final FieldKey GROSS = new FieldKey("gross");

    private static Table pears(Field... more) {
        return table(PEARS, new Field(NAME, "Name", new Textual.Text()), more);
    }

    private static Table trees(Field... more) {
        return table(TREES, new Field(PEAR, "Pear", new Referring.Reference(PEARS, OnRemoval.REFUSE)), more);
    }

    private static Table table(TableKey key, Field first, Field... more) {
        List<Field> fields = new java.util.ArrayList<>(List.of(first));
        fields.addAll(List.of(more));
        return new Table(key, key.name(), new Fields(fields));
    }

    private static Field borrowed(String key, String field) {
        return Field.computed(new FieldKey(key), key, new Computed.Borrowed(List.of(PEAR), new FieldKey(field)));
    }

    private static Field composed(String key, String... fields) {
        return Field.computed(new FieldKey(key), key, new Computed.Composed(List.of(fields).stream()
                .<Computed.Part>map(field -> new Computed.Part.OfField(new FieldKey(field))).toList()));
    }

    private static Field tally(String key, Measure measure, FieldKey field) {
        return Field.computed(new FieldKey(key), key, new Computed.Tally(TREES, PEAR, measure, field, Condition.ALWAYS,
                null, null, Computed.Floor.NONE));
    }

    @Test
    void aComputedFieldIsOfTheKindOfWhatItIsWorkedOutOf() {
        Tables tables = Tables.of(List.of(
                pears(new Field(GROSS, "Gross", new Numeric.Money("EUR")), tally("count", Measure.COUNT, null),
                        tally("average", Measure.AVERAGE, new FieldKey("kg"))),
                trees(new Field(new FieldKey("kg"), "Kg", new Numeric.Decimal(1)), borrowed("price", "gross"),
                        borrowed("siblings", "count"), composed("called", "pear", "price"))));
        assertThat(tables.get(PEARS).field(new FieldKey("count")).type()).isEqualTo(new Numeric.WholeNumber(true));
        assertThat(tables.get(PEARS).field(new FieldKey("average")).type()).isEqualTo(new Numeric.Decimal(2));
        assertThat(tables.get(TREES).field(new FieldKey("price")).type()).isEqualTo(new Numeric.Money("EUR"));
        assertThat(tables.get(TREES).field(new FieldKey("siblings")).type()).isEqualTo(new Numeric.WholeNumber(true));
        assertThat(tables.get(TREES).field(new FieldKey("called")).type()).isEqualTo(new Textual.Text());
    }

    @Test
    void aCircleIsRefusedAndNamed() {
        assertThatThrownBy(() -> Tables.of(List.of(pears(), trees(composed("one", "two"), composed("two", "one")))))
                .hasMessageContaining("computed.circle").hasMessageContaining("one → two → one");
        assertThatThrownBy(() -> Tables.of(List.of(pears(), trees(composed("self", "self")))))
                .hasMessageContaining("self → self");
    }

    @Test
    void whatIsWorkedOutOfWhatIsNotThereIsRefused() {
        assertThatThrownBy(() -> Tables.of(List.of(pears(), trees(borrowed("price", "gross")))))
                .hasMessageContaining("computed.no-field").hasMessageContaining("gross");
        assertThatThrownBy(() -> Tables.of(List.of(trees(borrowed("price", "name")))))
                .hasMessageContaining("computed.no-table");
        assertThatThrownBy(() -> Tables.of(List.of(pears(tally("sum", Measure.SUM, new FieldKey("price"))),
                trees(borrowed("price", "name"))))).hasMessageContaining("computed.tally-of-virtual");
        // nor can what is counted be chosen by such a field
        Field chosen = Field.computed(new FieldKey("few"), "Few", new Computed.Tally(TREES, PEAR, Measure.COUNT, null,
                Condition.isEmpty(new FieldKey("price")).not(), null, null, Computed.Floor.NONE));
        assertThatThrownBy(() -> Tables.of(List.of(pears(chosen), trees(borrowed("price", "name")))))
                .hasMessageContaining("computed.tally-of-virtual");
    }

    @Test
    void aTableKnowsWhoRefersToItAndAFieldWhatIsWorkedOutOfIt() {
        Tables tables = Tables.of(List.of(pears(new Field(GROSS, "Gross", new Numeric.Money("EUR")),
                tally("count", Measure.COUNT, null)), trees(borrowed("price", "gross"), composed("called", "price"))));
        assertThat(tables.referringTo(PEARS)).extracting(reference -> reference.by().key()).containsExactly(PEAR);
        assertThat(tables.usersOf(PEARS, GROSS)).extracting(use -> use.by().label()).containsExactly("price");
        assertThat(tables.usersOf(TREES, PEAR)).extracting(use -> use.by().label()).containsExactly("count", "price");
        assertThat(tables.usersOf(TREES, new FieldKey("price"))).extracting(use -> use.by().label())
                .containsExactly("called");
        assertThat(tables.reachedFrom(tables.get(TREES), List.of(new FieldKey("called"))))
                .containsExactlyInAnyOrder(TREES, PEARS);
        assertThat(tables.reachedFrom(tables.get(PEARS), List.of(NAME, new FieldKey("count")))).containsExactly(PEARS);
    }

    @Test
    void aMomentBecomesADateOnlyWhereNothingIsLost() {
        Conversion conversion = new Conversion(new Temporal.DateTime(), new Temporal.Date(), java.util.Map.of());
        assertThat(conversion.convert(org.pressboard.value.Value.of(java.time.LocalDateTime.of(2024, 3, 9, 0, 0))))
                .isPresent();
        assertThat(conversion.convert(org.pressboard.value.Value.of(java.time.LocalDateTime.of(2024, 3, 9, 0, 1))))
                .isEmpty();
    }
}
