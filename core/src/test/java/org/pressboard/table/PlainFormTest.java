package org.pressboard.table;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** The calendar forms are those of ISO 8601-1:2019, 5.2.2.1 and 5.4.2.1 (extended format). */
class PlainFormTest {

    @ParameterizedTest
    @CsvSource({"1985-04-12,true", "1985-4-12,false", "1985-02-30,false", "2000-02-29,true", "1900-02-29,false",
        "12.04.1985,false", "9999-12-31,true", "+10000-01-01,false", "0000-01-01,false", "-0044-03-15,false"})
    void datesAreIsoDates(String text, boolean isDate) {
        assertThat(new Temporal.Date().read(text).isPresent()).isEqualTo(isDate);
    }

    @Test
    void momentsAreIsoAndADateIsItsMidnight() {
        FieldType moment = new Temporal.DateTime();
        assertThat(moment.read("1985-04-12T23:20:30").map(PlainForm::write)).contains("1985-04-12T23:20:30");
        assertThat(moment.read("1985-04-12").map(PlainForm::write)).contains("1985-04-12T00:00:00");
        assertThat(moment.read("1985-04-12T23:20:30.25").map(PlainForm::write))
                .contains("1985-04-12T23:20:30.25");
        assertThat(moment.read("+10000-01-01T00:00")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"1.50,1.50", "1E+2,100", "-0.001,-0.001"})
    void decimalsAreWrittenOutPlainly(String text, String written) {
        assertThat(new Numeric.Decimal(2).read(text).map(PlainForm::write)).contains(written);
    }

    @Test
    void anExponentThatWouldFillTheMemoryIsNoNumber() {
        assertThat(new Numeric.Decimal(2).read("1e999999999")).isEmpty();
        assertThat(new Numeric.WholeNumber(true).read("9223372036854775808")).isEmpty();
    }

    @Test
    void yesAndNoNeverChangeWithTheLanguage() {
        assertThat(new FieldType.YesNo().read("yes")).contains(Value.of(true));
        assertThat(new FieldType.YesNo().read("ja")).isEmpty();
    }
}
