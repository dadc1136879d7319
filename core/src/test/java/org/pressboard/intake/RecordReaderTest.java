package org.pressboard.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.problem.Problem;
import org.pressboard.value.Value;

class RecordReaderTest {

    @Test
    void valuesAreReadAsPlanned() {
        List<Outcome> outcomes = Files.read("name;planted;sugar;rare\nÅsby;25.12.2020;1.234,5;ja\nHollin;;;nein\n");
        assertThat(outcomes).containsExactly(
                new Outcome.Fits(List.of(Value.of("Åsby"), Value.of(LocalDate.of(2020, 12, 25)),
                        Value.of(new BigDecimal("1234.5")), Value.of(true))),
                new Outcome.Fits(Arrays.asList(Value.of("Hollin"), null, null, Value.of(false))));
    }

    @Test
    void whatDoesNotFitIsKeptAsideWithEveryReason() {
        String text = "name,planted,weeks\na,2024-02-30,many\nb,2024-02-29,3\nc,2024-03-01,4\n";
        Survey survey = Files.survey(text);
        Plan suggested = Plan.suggestedBy(survey, "T");
        Plan plan = new Plan("T", List.of(suggested.columns().get(0),
                suggested.columns().get(1).withReading(Reading.DATE_YEAR_FIRST),
                suggested.columns().get(2).withReading(Reading.WHOLE)));
        List<Outcome> outcomes = Files.read(text, survey, plan);
        assertThat(outcomes.getFirst()).isEqualTo(new Outcome.KeptAside(2, List.of(
                Problem.of("row.misfit.date_year_first", "planted", "2024-02-30"),
                Problem.of("row.misfit.whole", "weeks", "many")), List.of("a", "2024-02-30", "many")));
        assertThat(outcomes.get(1)).isInstanceOf(Outcome.Fits.class);
    }

    @Test
    void raggedLinesAreKeptAsideAndLinesCountThroughQuotes() {
        List<Outcome> outcomes = Files.read("a,b\n\"x\ny\",1\n1,2,3\nz,2\n");
        assertThat(outcomes.get(1)).isEqualTo(new Outcome.KeptAside(4,
                List.of(Problem.of("row.ragged", 3, 2)), List.of("1", "2", "3")));
    }

    @Test
    void columnsLeftOutAreNotRead() {
        String text = "a,b\n1,x\n";
        Survey survey = Files.survey(text);
        Plan plan = new Plan("T", List.of(new Plan.Column(0, "a", Reading.WHOLE, true),
                new Plan.Column(1, "b", Reading.TEXT, false)));
        assertThat(Files.read(text, survey, plan)).containsExactly(new Outcome.Fits(List.of(Value.of("x"))));
        assertThat(plan.fields(survey, null).all()).hasSize(1);
    }

    @Test
    void aPlanSaysWhatItLacks() {
        Plan plan = new Plan(" ", List.of(new Plan.Column(0, "a", Reading.TEXT, true)));
        assertThat(plan.check().all()).extracting(Problem::code)
                .containsExactly("plan.no-label", "plan.nothing-taken");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "DECIMAL_POINT|1,234,567.8|1234567.8", "DECIMAL_POINT|.5|0.5", "DECIMAL_POINT|-1e3|-1E+3",
        "DECIMAL_POINT|12,34|-", "DECIMAL_POINT|1,23|-", "DECIMAL_POINT|1,2345|-", "DECIMAL_POINT|007|-",
        "DECIMAL_COMMA|1.234,5|1234.5", "DECIMAL_COMMA|1.5|-", "WHOLE|1234567890123456789|-", "WHOLE|+7|7",
        "WHOLE|1 000|-", "DATE_DAY_FIRST|31.4.2024|-", "DATE_DAY_FIRST|1.2-2024|-", "DATE_MONTH_FIRST|13/1/2024|-",
        "DATE_YEAR_FIRST|0000-01-01|-", "DATE_YEAR_FIRST|0001-01-01|a value"})
    void numbersAndDatesAreTakenOnlyWhole(Reading reading, String text, String value) {
        assertThat(reading.read(text).map(found -> switch (found) {
            case Value.Decimal(BigDecimal number) -> number.toString();
            case Value.Whole(long number) -> Long.toString(number);
            default -> "a value";
        }).orElse("-")).isEqualTo(value);
    }

    @ParameterizedTest
    @CsvSource({"68,2068", "69,1969", "00,2000", "99,1999"})
    void yearsOfTwoDigitsAreThoseOfPosix(String year, int full) {
        assertThat(Reading.DATE_DAY_FIRST.read("1.2." + year)).contains(Value.of(LocalDate.of(full, 2, 1)));
    }

    @Test
    void twelveHoursWithAndWithoutNoon() {
        assertThat(Reading.MOMENT_MONTH_FIRST.read("3/9/2024 12:05 am"))
                .contains(Value.of(LocalDateTime.of(2024, 3, 9, 0, 5)));
        assertThat(Reading.MOMENT_MONTH_FIRST.read("3/9/2024 12:05 PM"))
                .contains(Value.of(LocalDateTime.of(2024, 3, 9, 12, 5)));
        assertThat(Reading.MOMENT_MONTH_FIRST.read("3/9/2024 13:05 PM")).isEmpty();
    }
}
