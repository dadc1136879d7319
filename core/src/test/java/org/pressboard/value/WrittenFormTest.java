package org.pressboard.value;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.table.FieldType;

/**
 * What the Unicode CLDR gives for these languages: decimal pattern {@code #,##0.###} with the marks of each, and
 * {@code dateFormatItem medium} (en: MMM d, y; en-GB: d MMM y; de: dd.MM.y).
 */
class WrittenFormTest {

    private static final FieldType DATE = new FieldType.Date();

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|1,234,567.5", "en-GB|1,234,567.5", "de|1.234.567,5"})
    void decimalsHaveTheirOwnDigitsUpToThoseOfTheField(String language, String written) {
        assertThat(form(language).write(new FieldType.Decimal(2), Value.of(new BigDecimal("1234567.5"))))
                .isEqualTo(written);
        assertThat(form("en").write(new FieldType.Decimal(2), Value.of(new BigDecimal("2.50")))).isEqualTo("2.50");
        assertThat(form("en").write(new FieldType.Decimal(2), Value.of(new BigDecimal("2.125")))).isEqualTo("2.12");
        assertThat(form("en").write(new FieldType.Decimal(15), Value.of(new BigDecimal("38.123456789012345"))))
                .isEqualTo("38.123456789012345");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"en|Mar 9, 2024", "en-GB|9 Mar 2024", "de|09.03.2024"})
    void datesAreWrittenInTheLanguage(String language, String written) {
        assertThat(form(language).write(DATE, Value.of(LocalDate.of(2024, 3, 9)))).isEqualTo(written);
    }

    @Test
    void momentsHaveTheirTimeOfDay() {
        assertThat(form("en-GB").write(new FieldType.DateTime(), Value.of(LocalDateTime.of(2024, 3, 9, 14, 5))))
                .isEqualTo("9 Mar 2024, 14:05");
        assertThat(form("en-GB").write(new FieldType.DateTime(), Value.of(LocalDateTime.of(2024, 3, 9, 14, 5, 7))))
                .isEqualTo("9 Mar 2024, 14:05:07");
    }

    @Test
    void yearsAreNotGrouped() {
        assertThat(form("en").write(new FieldType.WholeNumber(true), Value.of(3376))).isEqualTo("3,376");
        assertThat(form("en").write(new FieldType.WholeNumber(false), Value.of(1847))).isEqualTo("1847");
    }

    @Test
    void countsAreWholeWhateverWasWrittenBefore() {
        WrittenForm form = form("en");
        form.write(new FieldType.Decimal(3), Value.of(BigDecimal.ONE));
        assertThat(form.count(3376)).isEqualTo("3,376");
    }

    @Test
    void yesAndNoAreTheWordsGiven() {
        assertThat(form("de").write(new FieldType.YesNo(), Value.of(true))).isEqualTo("Ja");
    }

    private static WrittenForm form(String language) {
        return new WrittenForm(Locale.forLanguageTag(language), "Ja", "Nein");
    }
}
