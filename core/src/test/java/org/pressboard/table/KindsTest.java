package org.pressboard.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.value.PlainForm;
import org.pressboard.value.TypedForm;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

class KindsTest {

    private static TypedForm typed(String language) {
        return TypedForm.of(Locale.forLanguageTag(language));
    }

    private static WrittenForm written(String language) {
        return new WrittenForm(Locale.forLanguageTag(language), "Yes", "No");
    }

    /** ISO 4217:2015, list one, column "minor units": EUR 2, JPY 0, BHD 3, CLF 4. */
    @ParameterizedTest
    @CsvSource({"EUR,2,1.25,1.255", "JPY,0,125,125.5", "BHD,3,1.255,1.2555", "CLF,4,1.2555,1.25555", "KWD,3,0.005,0.0005"})
    void moneyHasTheMinorUnitsOfItsCurrency(String currency, int digits, String fits, String tooFine) {
        Numeric.Money money = new Numeric.Money(currency);
        assertThat(money.digits()).isEqualTo(digits);
        assertThat(money.read(fits)).isPresent();
        assertThat(money.read(tooFine)).isEmpty();
        assertThat(money.readTyped(tooFine, typed("en"))).isEmpty();
        assertThat(money.readTyped(currency + " 1", typed("en")).map(PlainForm::write))
                .contains(BigDecimal.ONE.setScale(digits).toPlainString());
    }

    /**
     * Unicode CLDR, numbers: currency pattern ¤#,##0.00 in English and #,##0.00 ¤ in German (with a no-break space), as
     * the charts of the currencies show them; without minor units for the yen, with three digits for the dinar.
     */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|EUR|€1,234.50", "en-GB|GBP|£1,234.50", "de|EUR|1.234,50\u00a0€",
        "en|JPY|¥1,235", "en|BHD|BHD\u00a01,234.500"})
    void moneyIsWrittenAsTheLanguageDoes(String language, String currency, String text) {
        BigDecimal amount = new BigDecimal(currency.equals("JPY") ? "1235" : "1234.5");
        assertThat(new Numeric.Money(currency).write(Value.of(amount), written(language))).isEqualTo(text);
    }

    /** Unicode CLDR, numbers: percent pattern #,##0% in English, #,##0 % in German (with a no-break space). */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|12.5|12.5%", "de|12.5|12,5\u00a0%", "en|100|100%"})
    void percentIsWrittenAsTheLanguageDoes(String language, String number, String text) {
        Numeric.Percent percent = new Numeric.Percent(1);
        assertThat(percent.write(Value.of(new BigDecimal(number)), written(language))).isEqualTo(text);
        assertThat(percent.readTyped(text, typed(language)).map(PlainForm::write)).contains(number);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|1,234.5|1234.5", "de|1.234,5|1234.5", "de|1.500|1500", "de|1.5|1.5",
        "de|1500,25|1500.25", "en|1 234.5|1234.5", "en|\u22125|-5", "en|1234|1234", "de|1234|1234", "en|0.50|0.50"})
    void numbersAreReadAsTheLanguageWritesThem(String language, String text, String number) {
        assertThat(new Numeric.Decimal(2).readTyped(text, typed(language)).map(PlainForm::write)).contains(number);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|1,5", "en|12,34", "de|1.50.0", "en|1e5", "en|five", "en|--1", "en|.",
        "en|1234567890123456789"})
    void whatIsNoNumberIsNone(String language, String text) {
        assertThat(new Numeric.Decimal(2).readTyped(text, typed(language))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|3/9/2024", "en-GB|9/3/2024", "de|9.3.2024", "de|09.03.24", "en|2024-03-09",
        "en-GB|9 Mar 2024", "en-GB|9 march 2024", "en|Mar 9, 2024", "de|9. März 2024"})
    void datesAreReadInTheOrderOfTheLanguageAndInWords(String language, String text) {
        assertThat(new Temporal.Date().readTyped(text, typed(language))).contains(Value.of(LocalDate.of(2024, 3, 9)));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|30/2/2024", "de|31.4.2024", "en|blah", "en|2024-02-30", "en|9"})
    void whatIsNoDateIsNone(String language, String text) {
        assertThat(new Temporal.Date().readTyped(text, typed(language))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"14:05|14:05:00", "2:05 pm|14:05:00", "12:05 a.m.|00:05:00", "9:05|09:05:00",
        "23:59:59|23:59:59"})
    void timesOfDayAreReadByBothClocks(String text, String plain) {
        assertThat(new Temporal.TimeOfDay().readTyped(text, typed("en")).map(PlainForm::write)).contains(plain);
        assertThat(new Temporal.TimeOfDay().readTyped("25:00", typed("en"))).isEmpty();
        assertThat(new Temporal.TimeOfDay().readTyped("13:00 pm", typed("en"))).isEmpty();
        assertThat(new Temporal.TimeOfDay().write(Value.of(LocalTime.of(14, 5)), written("de"))).isEqualTo("14:05");
    }

    /** ITU-T E.164: at most 15 digits; the numbers are of Ofcom's range for drama. */
    @ParameterizedTest
    @CsvSource({"+44 1632 960001,true", "(01632) 960-001,true", "112,true", "01632/960001,true", "ring,false",
        "1234567890123456,false", "+,false", "12,false"})
    void telephoneNumbersHaveDigitsAndMarks(String text, boolean fits) {
        assertThat(new Textual.Phone().readTyped(text, typed("en")).isPresent()).isEqualTo(fits);
    }

    @Test
    void wholeNumbersTakeNoFractionAndAtMostEighteenDigits() {
        Numeric.WholeNumber whole = new Numeric.WholeNumber(true);
        assertThat(whole.readTyped("1,234", typed("en"))).contains(Value.of(1234));
        assertThat(whole.readTyped("3.0", typed("en"))).contains(Value.of(3));
        assertThat(whole.readTyped("3.5", typed("en"))).isEmpty();
        assertThat(whole.readTyped("1234567890123456789", typed("en"))).isEmpty();
    }

    @Test
    void aRatingStaysOnItsScale() {
        Numeric.Rating rating = new Numeric.Rating(5);
        assertThat(rating.readTyped("5", typed("en"))).contains(Value.of(5));
        assertThat(rating.readTyped("6", typed("en"))).isEmpty();
        assertThatThrownBy(() -> new Numeric.Rating(50)).hasMessageContaining("2 to 10");
    }

    @Test
    void aChoiceIsMeantInWhateverCaseItIsTyped() {
        Chosen.Choice choice = Chosen.Choice.of(List.of("Cider", "cider house"));
        assertThat(choice.readTyped("CIDER", typed("en"))).contains(Value.of("Cider"));
        assertThat(choice.readTyped("Perry", typed("en"))).isEmpty();
        Chosen.Choices choices = new Chosen.Choices(choice.options());
        assertThat(choices.readTyped("cider house, Cider", typed("en")))
                .contains(new Value.Several(List.of(Value.of("cider house"), Value.of("Cider"))));
        assertThat(choices.readTyped("Cider, Perry", typed("en"))).isEmpty();
    }

    @Test
    void rulesSayWhatIsWrong() {
        Rules rules = new Rules(true, false, Value.of(1), Value.of(10), Shape.ANY);
        assertThat(rules.check(null).orElseThrow().code()).isEqualTo("entry.required");
        assertThat(rules.check(Value.of(0)).orElseThrow().code()).isEqualTo("entry.too-small");
        assertThat(rules.check(Value.of(11)).orElseThrow().code()).isEqualTo("entry.too-great");
        assertThat(rules.check(Value.of(10))).isEmpty();
        Rules code = new Rules(false, false, null, null, new Shape("T-", Shape.Characters.DIGITS, 5, 5));
        assertThat(code.check(Value.of("T-014"))).isEmpty();
        assertThat(code.check(null)).isEmpty();
        assertThat(code.check(Value.of("X-014")).orElseThrow().code()).isEqualTo("entry.begins");
        assertThat(code.check(Value.of("T-01a")).orElseThrow().code()).isEqualTo("entry.characters.digits");
        assertThat(code.check(Value.of("T-14")).orElseThrow().code()).isEqualTo("entry.too-short");
        assertThat(code.check(Value.of("T-0014")).orElseThrow().code()).isEqualTo("entry.too-long");
    }

    /** What is written by one kind is read by it again, whatever the language. */
    @ParameterizedTest
    @CsvSource({"en", "en-GB", "de"})
    void whatIsWrittenIsReadAgain(String language) {
        List<FieldType> types = List.of(new Numeric.WholeNumber(true), new Numeric.Decimal(3), new Numeric.Money("EUR"),
                new Numeric.Percent(2), new Numeric.Rating(5), new Temporal.Date(), new Temporal.TimeOfDay());
        List<Value> values = List.of(Value.of(-12345L), Value.of(new BigDecimal("-1234.567")),
                Value.of(new BigDecimal("1234.50")), Value.of(new BigDecimal("12.25")), Value.of(4L),
                Value.of(LocalDate.of(2024, 3, 9)), Value.of(LocalTime.of(7, 45)));
        for (int i = 0; i < types.size(); i++) {
            String text = types.get(i).write(values.get(i), written(language));
            assertThat(types.get(i).readTyped(text, typed(language)).orElseThrow().compareWith(values.get(i)))
                    .as("%s of %s", text, types.get(i)).isZero();
        }
    }
}
