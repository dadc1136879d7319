package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Site;
import org.pressboard.condition.Condition;
import org.pressboard.editing.RowEditing;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * Least, greatest, first and last go by the order in which pages sort: texts by the Unicode collation (UTS 10, as CLDR tailors
 * it for the site's language), choices by the order of their options.
 */
class TallyOrderTest extends StoreTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey BED = new FieldKey("bed");
    private static final FieldKey SIZE = new FieldKey("size");
    private static final FieldKey WEIGHT = new FieldKey("weight");
    private static final FieldKey PLACES = new FieldKey("places");

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    private Table beds;
    private Table plants;
    private RowId bed;
    private Site before;

    @BeforeEach
    void make() {
        before = catalog.site();
        beds = changes.make("Rows of beds", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(PLACES, "Places", new Numeric.WholeNumber(true)))), OWNER);
        plants = changes.make("Plants", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()), new Field(SIZE, "Size",
                Chosen.Choice.of(List.of("small", "medium", "large"))), new Field(WEIGHT, "Weight", new Numeric.Decimal(2)),
                new Field(BED, "Bed", new Referring.Reference(beds.key(), Referring.OnRemoval.CLEAR)))), OWNER);
        bed = editing.add(beds.key(), Map.of(NAME, Value.of("North")), OWNER).row();
    }

    @AfterEach
    void remove() {
        publisher.changeSite(before);
        publisher.remove(plants.key(), beds.key());
    }

    private void plant(String name, String size, String weight) {
        editing.add(plants.key(), Map.of(NAME, Value.of(name), SIZE, Value.of(size), WEIGHT, Value.of(new BigDecimal(weight)), BED,
                new Value.Referred(bed, "")), OWNER);
    }

    private void tally(String key, Computed.Measure measure, FieldKey field, @Nullable FieldKey order) {
        changes.addField(beds.key(), Field.computed(new FieldKey(key), key, new Computed.Tally(plants.key(), BED, measure, field,
                Condition.ALWAYS, order, null, Computed.Floor.NONE)), OWNER);
    }

    private Optional<Value> tallied(String key) {
        return editing.find(beds.key(), bed).orElseThrow().find(new FieldKey(key));
    }

    @Test
    void textsAndChoicesGoByTheOrderOfThePage() {
        plant("zinnia", "large", "1");
        plant("\u00d6rt", "small", "2");
        plant("Aster", "medium", "1");
        tally("least_name", Computed.Measure.LEAST, NAME, null);
        tally("greatest_name", Computed.Measure.GREATEST, NAME, null);
        tally("smallest", Computed.Measure.LEAST, SIZE, null);
        tally("largest", Computed.Measure.GREATEST, SIZE, null);
        tally("of_the_largest", Computed.Measure.LAST, NAME, SIZE);
        assertThat(tallied("least_name")).contains(Value.of("Aster"));
        assertThat(tallied("greatest_name")).contains(Value.of("zinnia"));
        assertThat(tallied("smallest")).contains(Value.of("small"));
        assertThat(tallied("largest")).contains(Value.of("large"));
        assertThat(tallied("of_the_largest")).contains(Value.of("zinnia"));

        changes.changeField(plants.key(), plants.field(SIZE).of(Chosen.Choice.of(List.of("large", "medium", "small"))), OWNER);
        assertThat(tallied("smallest")).contains(Value.of("large"));
        assertThat(tallied("of_the_largest")).contains(Value.of("\u00d6rt"));
        publisher.changeSite(new Site(before.name(), "de", before.publicAddress(), before.signUp(), before.zone()));
        plant("\u00c4pfel", "small", "2");
        assertThat(tallied("least_name")).contains(Value.of("\u00c4pfel"));
        assertThat(tallied("greatest_name")).contains(Value.of("zinnia"));
    }

    @Test
    void anAverageHasNoMoreDigitsThanMakeSense() {
        plant("a", "small", "1");
        plant("b", "small", "2");
        plant("c", "small", "2");
        tally("average", Computed.Measure.AVERAGE, WEIGHT, null);
        assertThat(tallied("average")).contains(Value.of(new BigDecimal("1.666667")));
        plant("d", "small", "1");
        assertThat(tallied("average")).contains(Value.of(new BigDecimal("1.5")));
    }

    /** How much is left of what nobody has said is not known, and not nothing. */
    @Test
    void whatIsTakenFromNothingIsNothing() {
        plant("a", "small", "1");
        changes.addField(beds.key(), Field.computed(new FieldKey("left"), "Left", new Computed.Tally(plants.key(), BED,
                Computed.Measure.COUNT, null, Condition.ALWAYS, null, PLACES, new Computed.Floor(Value.of(0), null))), OWNER);
        assertThat(tallied("left")).isEmpty();
        editing.change(beds.key(), bed, Map.of(), Map.of(PLACES, Optional.of(Value.of(0))), OWNER);
        assertThat(tallied("left")).contains(Value.of(0));
        editing.change(beds.key(), bed, Map.of(PLACES, Optional.of(Value.of(0))), Map.of(PLACES, Optional.of(Value.of(5))), OWNER);
        assertThat(tallied("left")).contains(Value.of(4));
    }
}
