package org.pressboard.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.value.Value;
import org.pressboard.value.WrittenForm;

/**
 * What the Unicode CLDR gives for these languages: decimal pattern {@code #,##0.###} with the marks of each, and
 * {@code dateFormatItem medium} (en: MMM d, y; en-GB: d MMM y; de: dd.MM.y).
 */
class WrittenFormTest {

    private static final FieldType DATE = new Temporal.Date();

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|1,234,567.5", "en-GB|1,234,567.5", "de|1.234.567,5"})
    void decimalsHaveTheirOwnDigitsUpToThoseOfTheField(String language, String written) {
        assertThat(new Numeric.Decimal(2).write(Value.of(new BigDecimal("1234567.5")), form(language)))
                .isEqualTo(written);
        assertThat(new Numeric.Decimal(2).write(Value.of(new BigDecimal("2.50")), form("en"))).isEqualTo("2.50");
        assertThat(new Numeric.Decimal(2).write(Value.of(new BigDecimal("2.125")), form("en"))).isEqualTo("2.12");
        assertThat(new Numeric.Decimal(15).write(Value.of(new BigDecimal("38.123456789012345")), form("en")))
                .isEqualTo("38.123456789012345");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|Mar 9, 2024", "en-GB|9 Mar 2024", "de|09.03.2024"})
    void datesAreWrittenInTheLanguage(String language, String written) {
        assertThat(DATE.write(Value.of(LocalDate.of(2024, 3, 9)), form(language))).isEqualTo(written);
    }

    @Test
    void momentsHaveTheirTimeOfDay() {
        assertThat(new Temporal.DateTime().write(Value.of(LocalDateTime.of(2024, 3, 9, 14, 5)), form("en-GB")))
                .isEqualTo("9 Mar 2024, 14:05");
        assertThat(new Temporal.DateTime().write(Value.of(LocalDateTime.of(2024, 3, 9, 14, 5, 7)), form("en-GB")))
                .isEqualTo("9 Mar 2024, 14:05:07");
    }

    @Test
    void yearsAreNotGrouped() {
        assertThat(new Numeric.WholeNumber(true).write(Value.of(3376), form("en"))).isEqualTo("3,376");
        assertThat(new Numeric.WholeNumber(false).write(Value.of(1847), form("en"))).isEqualTo("1847");
    }

    @Test
    void countsAreWholeWhateverWasWrittenBefore() {
        WrittenForm form = form("en");
        new Numeric.Decimal(3).write(Value.of(BigDecimal.ONE), form);
        assertThat(form.count(3376)).isEqualTo("3,376");
    }

    @Test
    void yesAndNoAreTheWordsGiven() {
        assertThat(new FieldType.YesNo().write(Value.of(true), form("de"))).isEqualTo("Ja");
    }

    private static WrittenForm form(String language) {
        return new WrittenForm(Locale.forLanguageTag(language), "Ja", "Nein");
    }
}
