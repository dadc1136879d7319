package org.pressboard.desk.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Operand;
import org.pressboard.desk.table.HistoryWords.Change;
import org.pressboard.words.Words;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.context.support.ResourceBundleMessageSource;

class DefinitionWordsTest {

    private static final Field CODE = new Field(new FieldKey("code"), "Code", new Textual.Text());
    private static final Field HEIGHT = new Field(new FieldKey("height"), "Height", new Numeric.Decimal(1));
    private static final Table TREES = new Table(new TableKey("trees"), "Trees", new Fields(List.of(CODE, HEIGHT)));

    private static List<Change> between(Table before, Table after) {
        ResourceBundleMessageSource messages = new ResourceBundleMessageSource();
        messages.setBasename("messages");
        messages.setDefaultEncoding("UTF-8");
        messages.setAlwaysUseMessageFormat(true);
        Words words = new Words(messages, Locale.UK);
        return new DefinitionWords(words, words, Tables.NONE).between(before, after);
    }

    @Test
    void eachPieceIsToldAsItWasAndAsItIs() {
        Table after = TREES.changing(HEIGHT.key(), field -> field.labelled("Tallness").explained("In metres", "m")
                .of(new Numeric.Decimal(2)).with(new Rules(true, false, Value.of(1L), null, Rules.NONE.shape())));
        assertThat(between(TREES, after)).containsExactlyInAnyOrder(new Change("Tallness: name", "Height", "Tallness"),
                new Change("Tallness: help", "", "In metres"), new Change("Tallness: unit", "", "m"),
                new Change("Tallness: must be filled in", "", "yes"), new Change("Tallness: from", "", "1"),
                new Change("Tallness: decimal places", "1", "2"));
        assertThat(between(TREES, TREES)).isEmpty();
    }

    @Test
    void whatANewRowBeginsWithIsTold() {
        Table fixed = TREES.changing(CODE.key(), field -> field.starting(new Operand.Fixed(Value.of("T-"))));
        Table visitors = TREES.changing(CODE.key(), field -> field.starting(Operand.OfVisitor.NAME));
        assertThat(between(TREES, fixed)).containsExactly(new Change("Code: a new row begins with", "", "T-"));
        assertThat(between(fixed, visitors)).containsExactly(new Change("Code: a new row begins with", "T-", "the visitor’s name"));
    }

    @Test
    void fieldsThatCameAndWentAndTheirOrderAreTold() {
        Field health = new Field(new FieldKey("health"), "Health", Chosen.Choice.of(List.of("Good", "Poor")));
        Field composed = Field.computed(new FieldKey("whole"), "Whole", new Computed.Composed(List.of(
                new Computed.Part.OfField(CODE.key()), new Computed.Part.Words(", row "))));
        assertThat(between(TREES, TREES.with(new Fields(List.of(HEIGHT, CODE, composed))))).containsExactly(
                new Change("Whole", "", "Composed text"),
                new Change("Order of the fields", "Code, Height", "Height, Code"));
        assertThat(between(TREES, TREES.with(new Fields(List.of(HEIGHT)))))
                .containsExactly(new Change("Code", "Text", ""));
        Table before = TREES.with(new Fields(List.of(CODE, health, composed)));
        Table after = before.changing(health.key(), field -> field.of(Chosen.Choice.of(List.of("Poor", "Fair"))))
                .changing(composed.key(), field -> Field.computed(field.key(), "Whole", new Computed.Composed(List.of(
                        new Computed.Part.Words("Tree "), new Computed.Part.OfField(CODE.key())))))
                .labelled("Trees", "All of them").knownBy(CODE.key(), null, null);
        assertThat(between(before, after)).contains(new Change("Health: to choose from", "Good, Poor", "Poor, Fair"),
                new Change("Whole: put together from", "code “, row ”", "“Tree ” code"),
                new Change("What it is", "", "All of them"), new Change("Row title", "", "Code"));
    }
}
