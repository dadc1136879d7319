package org.pressboard.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.problem.Problem;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

class KindsOfColumnTest {

    private static final TableKey TREES = new TableKey("trees");

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "£1,234.50 | MONEY_POINT | 1234.50 | GBP", "1.234,50 € | MONEY_COMMA | 1234.50 | EUR",
        "EUR 3.5 | MONEY_POINT | 3.5 | EUR", "-$7 | MONEY_POINT | -7 | USD", "BHD 1.234 | MONEY_POINT | 1.234 | BHD",
        "¥500 | MONEY_POINT | 500 | JPY", "12.5% | PERCENT_POINT | 12.5 |", "12,5 % | PERCENT_COMMA | 12.5 |"})
    void amountsAreReadWithTheirSign(String text, Reading reading, String number, String currency) {
        assertThat(reading.read(text)).contains(Value.of(new java.math.BigDecimal(number)));
        assertThat(Amounts.currency(text)).isEqualTo(Optional.ofNullable(currency));
    }

    @ParameterizedTest
    @CsvSource({"¥5.50", "BHD 1.2345", "5", "5 kg", "XYZ 5", "€", "5 €€"})
    void whatIsNoAmountIsNone(String text) {
        assertThat(Reading.MONEY_POINT.read(text)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"07:05,07:05:00", "7:05 pm,19:05:00", "14:30:15,14:30:15"})
    void timesOfDayAreRead(String text, String plain) {
        assertThat(Reading.TIME.rewritten(text)).isEqualTo(plain);
        assertThat(Reading.TIME.read("25:00")).isEmpty();
    }

    @Test
    void everyKindThatAColumnMayBeIsOffered() {
        ColumnSurvey scores = Files.survey("a,score\nx,1\ny,5\nz,3\n").columns().get(1);
        assertThat(scores.offered()).contains(Reading.RATING).doesNotContain(Reading.CHOICES);
        ColumnSurvey uses = Files.survey("a,use\nx,Cider; Eating\ny,Eating\nz,Drying; Cider\n").columns().get(1);
        assertThat(uses.offered()).contains(Reading.CHOICES, Reading.REFERENCE, Reading.FORMATTED_TEXT)
                .doesNotContain(Reading.RATING, Reading.MONEY_POINT);
        assertThat(type("a,use\nx,Cider; Eating\ny,Eating\n", Reading.CHOICES))
                .isEqualTo(Chosen.Choices.of(List.of("Cider", "Eating")));
        assertThat(type("a,n\nx,1\ny,7\n", Reading.RATING)).isEqualTo(new Numeric.Rating(7));
        assertThat(type("a,n\nx,£1\ny,£7\n", Reading.MONEY_POINT)).isEqualTo(new Numeric.Money("GBP"));
    }

    @Test
    void numbersCanBeSaidToBeMoneyOfACurrencyOrPerCent() {
        String text = "a,price\nx,3.5\ny,12.25\n";
        ColumnSurvey prices = Files.survey(text).columns().get(1);
        assertThat(prices.offered()).contains(Reading.AMOUNT_POINT, Reading.SHARE_POINT)
                .doesNotContain(Reading.AMOUNT_COMMA, Reading.SHARE_COMMA);
        assertThat(type(text, Reading.AMOUNT_POINT)).isEqualTo(new Numeric.Money("EUR"));
        assertThat(type(text, Reading.SHARE_POINT)).isEqualTo(new Numeric.Percent(2));
        assertThat(Files.survey("a,b\nx,3\ny,4\n").columns().get(1).offered())
                .contains(Reading.AMOUNT_POINT).doesNotContain(Reading.AMOUNT_COMMA);
        Plan.Column yen = new Plan.Column(1, "Price", Reading.AMOUNT_POINT, false, null, false, "JPY", null);
        assertThat(yen.read("1,200")).contains(Value.of(new java.math.BigDecimal("1200")));
        // JPY has no minor unit (ISO 4217)
        assertThat(yen.read("12.25")).isEmpty();
    }

    private static FieldType type(String text, Reading reading) {
        Survey survey = Files.survey(text);
        Plan plan = Plan.suggestedBy(survey, "T");
        Plan said = new Plan("T", List.of(plan.columns().getFirst(), plan.columns().get(1).withReading(reading)));
        return said.fields(survey, null).all().get(1).type();
    }

    @Test
    void whatIsBesideIsAskedFor() {
        Survey survey = Files.survey("tree,picture\nT-1,one.png\nT-9,two.png\n");
        Plan plan = Plan.suggestedBy(survey, "T");
        Plan said = new Plan("T", List.of(plan.columns().getFirst().referringTo(TREES, false),
                plan.columns().get(1).withReading(Reading.PICTURE)));
        List<Outcome> outcomes = Files.read(Files.of("tree,picture\nT-1,one.png\nT-9,two.png\n"), survey, said,
                (column, text) -> switch (text) {
                    case "T-1" -> Optional.of(new Value.Referred(new RowId(7), text));
                    case "T-9" -> Optional.empty();
                    default -> Optional.of(new Value.Attachment("", text));
                });
        assertThat(outcomes.getFirst()).isEqualTo(new Outcome.Fits(List.of(new Value.Referred(new RowId(7), "T-1"),
                new Value.Attachment("", "one.png"))));
        assertThat(outcomes.getLast()).isInstanceOfSatisfying(Outcome.KeptAside.class, kept -> assertThat(kept.reasons())
                .containsExactly(Problem.of("row.misfit.reference", "tree", "T-9")));
        assertThat(said.fields(survey, null).stream().map(Field::type)).first()
                .isEqualTo(new Referring.Reference(TREES, Referring.OnRemoval.REFUSE));
        Plan several = new Plan("T", List.of(plan.columns().getFirst().referringToSeveral(TREES, false)));
        assertThat(several.fields(survey, null).stream().map(Field::type)).first()
                .isEqualTo(new Referring.References(TREES, Referring.OnRemoval.REFUSE));
        assertThat(said.fields(survey, TREES).stream().map(Field::type)).first()
                .isEqualTo(new Referring.Person(TREES, Referring.OnRemoval.CLEAR));
    }
}
