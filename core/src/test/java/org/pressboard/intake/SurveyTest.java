package org.pressboard.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.pressboard.table.Chosen;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.table.Numeric;
import org.pressboard.table.Textual;

class SurveyTest {

    @ParameterizedTest
    @ValueSource(chars = {',', ';', '\t', '|'})
    void theDelimiterIsWorkedOut(char delimiter) {
        String text = "name,use,notes\nBramber,Eating,a\nFoxwhelp,Cider,b\n".replace(',', delimiter);
        Survey survey = Files.survey(text);
        assertThat(survey.dialect().delimiter()).isEqualTo(delimiter);
        assertThat(survey.columns()).extracting(ColumnSurvey::label).containsExactly("name", "use", "notes");
    }

    @Test
    void commasInTextDoNotHideTheSemicolons() {
        Survey survey = Files.survey("name;notes\nBramber;sweet, sharp, late\nFoxwhelp;bitter, early\nHollin;plain\n");
        assertThat(survey.columns()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource({"UTF-8,UTF-8", "windows-1252,windows-1252", "UTF-16LE,UTF-16LE"})
    void theEncodingIsWorkedOut(String written, String found) {
        String text = (written.startsWith("UTF-16") ? "\uFEFF" : "") + "name;price\nSüßer Jakob;5 €\n";
        Survey survey = Files.survey(Files.of(text.getBytes(Charset.forName(written))));
        assertThat(survey.dialect().encoding()).isEqualTo(found);
        assertThat(survey.firstRows()).containsExactly(List.of("Süßer Jakob", "5 €"));
        assertThat(survey.columns().getFirst().label()).isEqualTo("name");
    }

    @Test
    void aByteOrderMarkIsNoPartOfTheFirstHeading() {
        assertThat(Files.survey("\uFEFFname,use\na,b\n").columns().getFirst().label()).isEqualTo("name");
    }

    @Test
    void oneByteAtTheVeryEndDecidesTheEncoding() {
        byte[] start = ("name\n" + "plain text\n".repeat(30_000)).getBytes(StandardCharsets.US_ASCII);
        byte[] whole = java.util.Arrays.copyOf(start, start.length + 2);
        whole[start.length] = (byte) 0xE9;
        whole[start.length + 1] = '\n';
        assertThat(Files.survey(Files.of(whole)).dialect().encoding()).isEqualTo("windows-1252");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "1|-20|300|WHOLE",
        "1.5|2|1,234.25|DECIMAL_POINT",
        "1,5|2|1.234,25|DECIMAL_COMMA",
        "yes|NO|true|YES_NO",
        "2024-03-09|1999-12-31|2000-02-29|DATE_YEAR_FIRST",
        "31.12.1999|9.3.2024|1/2/2000|DATE_DAY_FIRST",
        "12/31/1999|3/9/2024|1/2/2000|DATE_MONTH_FIRST",
        "2024-03-09 14:30|2024-03-09T07:05:09|2024-03-09 00:00|MOMENT_YEAR_FIRST",
        "13.3.2024 14:30|9.3.2024, 7:05|9.3.2024  0:00|MOMENT_DAY_FIRST",
        "1 Jan 2000|12-Mar-24|3rd September 1999|DATE_MONTH_NAMED",
        "Jan 1 2000|March 9, 2024|Sept. 30, 1999|DATE_MONTH_NAMED",
        "1. März 2024|24. Dez. 1999|2024-Mai-31|DATE_MONTH_NAMED",
        "1 Jan 2000 14:30|Oct 9, 2024, 2:30 pm|24. Dezember 1999 00:05:09|MOMENT_MONTH_NAMED",
        "31 Apr 2024|1 Ju 2024|May 2024|TEXT",
        "mira@example.org|t.veit+x@mail.example.org|o@example.org|EMAIL",
        "https://example.org/a?b=c|http://example.org|HTTPS://EXAMPLE.ORG/|LINK",
        "00501|12345|98765|TEXT",
        "1.234|5.678|901.234|DECIMAL_POINT+DECIMAL_COMMA",
        "3/9/2024|1/2/2000|5.6.2001|DATE_DAY_FIRST+DATE_MONTH_FIRST",
        "1999|blue|7|TEXT"})
    void typesAreWorkedOutByTheEvidence(String one, String two, String three, String readings) {
        Survey survey = Files.survey("a;column\n1;\"" + one + "\"\n2;\"" + two + "\"\n3;\"" + three + "\"\n");
        assertThat(survey.columns().get(1).suggested().stream().map(Reading::name).collect(Collectors.joining("+")))
                .isEqualTo(readings);
    }

    @Test
    void oneDateThatCanOnlyBeReadOneWayDecidesForAll() {
        String text = "planted\n" + "03/04/2020\n".repeat(50) + "25/12/2020\n";
        assertThat(Files.survey(text).columns().getFirst().suggested()).containsExactly(Reading.DATE_DAY_FIRST);
    }

    @Test
    void aFewThatDoNotFitAreCountedWithTheirLines() {
        String text = "planted\n" + "2024-03-09\n".repeat(60) + "blah\n" + "2024-03-10\n" + "n/a\n";
        ColumnSurvey column = Files.survey(text).columns().getFirst();
        assertThat(column.suggested()).containsExactly(Reading.DATE_YEAR_FIRST);
        assertThat(column.fit(Reading.DATE_YEAR_FIRST).misfits().count()).isEqualTo(2);
        assertThat(column.fit(Reading.DATE_YEAR_FIRST).misfits().examples()).containsExactly(
                new Fit.Example(62, "blah"), new Fit.Example(64, "n/a"));
    }

    @Test
    void manyThatDoNotFitMakeItText() {
        String text = "planted\n" + "2024-03-09\n".repeat(60) + "blah\n".repeat(10);
        assertThat(Files.survey(text).columns().getFirst().suggested()).containsExactly(Reading.CHOICE);
    }

    @Test
    void fewDifferentTextsAreAChoiceAndManyAreNot() {
        String few = IntStream.range(0, 30).mapToObj(i -> "use" + i % 4).collect(Collectors.joining("\n", "use\n", ""));
        String many = IntStream.range(0, 30).mapToObj(i -> "name" + i).collect(Collectors.joining("\n", "name\n", ""));
        assertThat(Files.survey(few).columns().getFirst().suggested()).containsExactly(Reading.CHOICE);
        assertThat(Files.survey(few).columns().getFirst().options()).containsExactly("use0", "use1", "use2", "use3");
        assertThat(Files.survey(many).columns().getFirst().suggested()).containsExactly(Reading.TEXT);
    }

    @Test
    void notesThatComeUpAgainAndAgainAreNoChoiceButShortWordsWithAStopAre() {
        String notes = "notes\n" + "Bees in the hollow: leave them be.\nRabbit guard missing.\n".repeat(20);
        String lanes = "lane\n" + "Mill La.\nQuay\nOrchard Rise\n".repeat(20);
        assertThat(Files.survey(notes).columns().getFirst().suggested()).containsExactly(Reading.TEXT);
        assertThat(Files.survey(lanes).columns().getFirst().suggested()).containsExactly(Reading.CHOICE);
    }

    @Test
    void textWithLineBreaksIsLong() {
        assertThat(Files.survey("notes\n\"a\nb\"\n").columns().getFirst().suggested())
                .containsExactly(Reading.LONG_TEXT);
    }

    @Test
    void numbersThatLookLikeYearsAreNotGrouped() {
        Survey survey = Files.survey("year;count\n1847;1500\n2001;12\n");
        Plan plan = Plan.suggestedBy(survey, "Years");
        assertThat(plan.fields(survey, null).all()).extracting(field -> (Object) field.type()).containsExactly(
                new Numeric.WholeNumber(false), new Numeric.WholeNumber(true));
    }

    @Test
    void decimalsShowTheMostDigitsThatTheFileHas() {
        Survey survey = Files.survey("a;b\n1,25;x\n3,5;y\n1.234,125;z\n");
        assertThat(Plan.suggestedBy(survey, "T").fields(survey, null).all().getFirst().type())
                .isEqualTo(new Numeric.Decimal(3));
    }

    @Test
    void raggedLinesAreCounted() {
        Survey survey = Files.survey("a,b,c\n1,2,3\n1,2\n1,2,3,4\n4,5,6\n");
        assertThat(survey.rows()).isEqualTo(4);
        assertThat(survey.ragged()).isEqualTo(2);
    }

    @Test
    void threeHundredColumnsAreFine() {
        String header = IntStream.range(0, 300).mapToObj(i -> "column " + i).collect(Collectors.joining(","));
        String row = IntStream.range(0, 300).mapToObj(Integer::toString).collect(Collectors.joining(","));
        Survey survey = Files.survey(header + "\n" + row + "\n");
        assertThat(survey.columns()).hasSize(300);
        assertThat(Plan.suggestedBy(survey, "Wide").fields(survey, null).all()).hasSize(300);
    }

    @Test
    void headingsThatAreMissingOrStandTwiceGetNamesOfTheirOwn() {
        Survey survey = Files.survey("name,,name,\"line\nbreak\"\na,b,c,d\n");
        assertThat(survey.columns()).extracting(ColumnSurvey::label)
                .containsExactly("name", "Column 2", "name 2", "line break");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "-", value = {
        "''|file.empty", "' '|file.empty",
        "'a,b\n1,\"never closed\n2,3\n'|file.unclosed-quote"})
    void whatIsNoTableIsSaid(String text, String code) {
        assertRefused(text.getBytes(StandardCharsets.UTF_8), code);
    }

    @ParameterizedTest
    @ValueSource(strings = {"name,use", "name,use\n", "name,use\n\n"})
    void headingsAloneAreATableToBeFilled(String text) {
        Survey survey = Files.survey(text);
        assertThat(survey.columns()).extracting(ColumnSurvey::label).containsExactly("name", "use");
        assertThat(Plan.suggestedBy(survey, "Wide").fields(survey, null).all()).extracting(Field::type)
                .containsExactly(new Textual.Text(), new Textual.Text());
    }

    @Test
    void aNulByteIsSaidWithItsLine() {
        assertThatThrownBy(() -> Files.survey("a,b\n1,2\n3,\0\n")).isInstanceOfSatisfying(ProblemsFound.class,
                found -> assertThat(found.problems().all()).containsExactly(Problem.of("file.nul", 3L)));
    }

    @Test
    void otherKindsOfFilesAreSaid() {
        assertRefused(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0}, "file.other-kind");
        assertRefused("%PDF-1.7 ...".getBytes(StandardCharsets.US_ASCII), "file.other-kind");
        assertRefused(new byte[] {'P', 'K', 3, 4, 20, 0}, "file.other-kind");
    }

    @Test
    void moreColumnsThanATableCanHaveAreSaid() {
        String header = IntStream.range(0, 1001).mapToObj(i -> "c" + i).collect(Collectors.joining(","));
        assertRefused((header + "\n1\n").getBytes(StandardCharsets.UTF_8), "file.too-many-columns");
    }

    private static void assertRefused(byte[] bytes, String code) {
        assertThatThrownBy(() -> Files.survey(Files.of(bytes))).isInstanceOfSatisfying(ProblemsFound.class,
                found -> assertThat(found.problems().all()).extracting(Problem::code).containsExactly(code));
    }

    @Test
    void fewShortTextsThatComeAgainAreAChoiceInASmallFile() {
        ColumnSurvey state = Files.survey("tool,state\na,lent\nb,here\nc,lent\nd,broken\ne,here\nf,broken\n").columns().get(1);
        assertThat(state.suggested()).containsExactly(Reading.CHOICE);
        assertThat(state.options()).containsExactly("lent", "here", "broken");
        assertThat(Files.survey("tool,who\na,Mira\nb,Tomas\nc,Mira\n").columns().get(1).suggested()).containsExactly(Reading.TEXT);
        assertThat(Chosen.Choice.coloured(List.of("lent", "here")).options()).extracting(Chosen.Option::colour)
                .containsExactly(Chosen.Colour.MOSS, Chosen.Colour.SAGE);
        assertThat(Chosen.Choice.coloured(List.of("1", "2", "3", "4", "5", "6", "7", "8", "9")).options())
                .extracting(Chosen.Option::colour).containsOnly(Chosen.Colour.PLAIN);
    }

    @Test
    void numbersThatBeginWithAPlusArePhoneNumbers() {
        assertThat(phones("+44 1632 960 001", "+49 (30) 23125 002", "01632 960003")).containsExactly(Reading.PHONE);
        assertThat(phones("+4416329600", "+4416329601")).containsExactly(Reading.PHONE);
        // sizes, and codes with a sign
        assertThat(phones("10-12-14", "20-22-24")).containsExactly(Reading.TEXT);
        assertThat(phones("+12", "+49 (30) 23125 002")).containsExactly(Reading.TEXT);
        assertThat(phones("+44 1632 960 001", "12/14")).containsExactly(Reading.TEXT);
    }

    private static List<Reading> phones(String... texts) {
        return Files.survey("who,phone\n" + String.join("\n", java.util.Arrays.stream(texts).map(text -> "x," + text).toList()) + "\n")
                .columns().get(1).suggested();
    }

    @Test
    void htmlInTextsIsSaidAndMadeIntoFormattedTextWhereSomebodySaysSo() {
        ColumnSurvey notes = Files.survey("a,note\nx,<p>Keeps <b>well</b></p>\ny,3 < 4\nz,a<br/>b\n").columns().get(1);
        assertThat(notes.tagged()).isEqualTo(new Fit.Found(2, List.of(new Fit.Example(2, "<p>"), new Fit.Example(4, "<br/>"))));
        assertThat(notes.suggested()).containsExactly(Reading.TEXT);
        assertThat(notes.offered()).contains(Reading.FORMATTED_HTML);
        assertThat(Files.survey("a,note\nx,plain\n").columns().get(1).offered()).doesNotContain(Reading.FORMATTED_HTML);
    }
}
