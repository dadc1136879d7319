package org.pressboard.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.table.Field;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** What goes in comes out the same; what does not is said. */
class FaithfulTest {

    static Stream<ManyFiles.One> files() {
        return ManyFiles.all();
    }

    @ParameterizedTest
    @MethodSource("files")
    void whatGoesInComesOut(ManyFiles.One file) {
        Survey survey = Files.survey(Files.of(file.bytes()));
        Plan plan = Plan.suggestedBy(survey, "T");
        List<Long> aside = new ArrayList<>();
        StringBuilder out = new StringBuilder(line(plan.fields(survey, null).stream().map(Field::label).toList()));
        for (Outcome outcome : Files.read(Files.of(file.bytes()), survey, plan)) {
            switch (outcome) {
                case Outcome.Fits fits -> out.append(line(fits.values().stream().map(FaithfulTest::plain).toList()));
                case Outcome.KeptAside kept -> aside.add(kept.line());
            }
        }
        assertThat(out.toString()).isEqualTo(file.out());
        assertThat(aside).isEqualTo(file.aside());
    }

    private static String plain(@Nullable Value value) {
        return value == null ? "" : PlainForm.write(value);
    }

    private static String line(List<String> texts) {
        return texts.stream().map(text -> text.matches("(?s).*[\",\n\r].*") ? '"' + text.replace("\"", "\"\"") + '"'
                : text).collect(Collectors.joining(",", "", "\n"));
    }

    @Test
    void linesWithBadBytesAreListed() {
        Survey survey = Files.survey(Files.of("Name\nMüller\nM\u00FC\nx\n".replace("\u00FC\n", "?\n")
                .getBytes(StandardCharsets.UTF_8)));
        assertThat(survey.badBytes()).isEqualTo(Fit.Found.NONE);
        byte[] bytes = "Name\nMüller\nMx\n".getBytes(StandardCharsets.UTF_8);
        bytes[bytes.length - 2] = (byte) 0xFC;
        survey = Files.survey(Files.of(bytes));
        assertThat(survey.badBytes()).isEqualTo(new Fit.Found(1, List.of(new Fit.Example(3, "M\uFFFD"))));
        assertThat(Files.read(Files.of(bytes), survey, Plan.suggestedBy(survey, "T")).get(1)).isEqualTo(
                new Outcome.KeptAside(3, List.of(Problem.of("row.bad-bytes", "FC")), List.of("M\uFFFD")));
    }

    @ParameterizedTest
    @CsvSource({"UTF-16LE,2", "UTF-16BE,2", "UTF-32LE,2", "UTF-8,2"})
    void aNulIsSaidWithItsLineInEveryEncoding(String encoding, long line) {
        byte[] bytes = "\uFEFFa,b\n1,\0\n2,3\n".getBytes(Charset.forName(encoding));
        assertRefused(bytes, Problem.of("file.nul", line));
    }

    @Test
    void aValueWithoutEndIsSaidWithItsLine() {
        String endless = "x".repeat(TidyText.MOST_CHARACTERS_OF_A_VALUE + 1);
        for (String text : List.of("a,b\n1,2\n3," + endless + "\n", "a,b\n1,2\n3,\"" + endless + "\"\n",
                "a,b\n1,2\n3,\"y\"" + endless + "\n")) {
            assertRefused(text.getBytes(StandardCharsets.UTF_8), Problem.of("file.value-too-long", 3L,
                    TidyText.MOST_CHARACTERS_OF_A_VALUE));
        }
    }

    @Test
    void manyValuesOfManyDigitsAreToldShortened() {
        String number = "7".repeat(900_000);
        Survey survey = Files.survey(("a,b\n" + ("1," + number + "\n").repeat(6)));
        assertThat(survey.columns().get(1).suggested()).containsExactly(Reading.LONG_TEXT);
        assertThat(survey.toString().length()).isLessThan(20_000);
    }

    private static void assertRefused(byte[] bytes, Problem problem) {
        assertThatThrownBy(() -> Files.survey(Files.of(bytes))).isInstanceOfSatisfying(ProblemsFound.class,
                found -> assertThat(found.problems().all()).containsExactly(problem));
    }

    @Test
    void whatWouldNotBeTheSameIsTextAndSaidOfTheReadingThatWouldDoIt() {
        ColumnSurvey shelves = Files.survey("Who,Shelf\nMira,+491511\nTomas,+491512\n").columns().get(1);
        assertThat(shelves.suggested()).containsExactly(Reading.TEXT);
        assertThat(shelves.fit(Reading.WHOLE).isFaithful()).isFalse();
        assertThat(shelves.fit(Reading.WHOLE).altered()).isEqualTo(new Fit.Found(2, List.of(
                new Fit.Example(2, "+491511"), new Fit.Example(3, "+491512"))));
        assertThat(shelves.atAPrice()).contains(Reading.WHOLE);
        assertThat(Files.survey("a\nx\n").columns().getFirst().atAPrice()).isEmpty();
    }

    @Test
    void theLeastAndTheGreatestShowHowDatesWereRead() {
        Fit fit = Files.survey("d\n1.2.68\n25.12.69\n").columns().getFirst().fit(Reading.DATE_DAY_FIRST);
        assertThat(Optional.ofNullable(fit.least()).map(PlainForm::write)).contains("1969-12-25");
        assertThat(Optional.ofNullable(fit.greatest()).map(PlainForm::write)).contains("2068-02-01");
    }

    @Test
    void blanksAroundValuesAreCounted() {
        assertThat(Files.survey("a,b\nx, 5\ny,6\nz, \n").columns().get(1).fit(Reading.WHOLE).trimmed()).isEqualTo(2);
    }

    @Test
    void theOwnerSaysHowItIsWritten() {
        FileContent content = Files.of("Report\nof Monday\na:b\n1:x\n2:y\n");
        Survey survey = Files.survey(content, new Dialect("UTF-8", ':', 2, true, false));
        assertThat(survey.columns()).extracting(ColumnSurvey::label).containsExactly("a", "b");
        assertThat(survey.firstRows()).containsExactly(List.of("1", "x"), List.of("2", "y"));
        Survey bare = Files.survey(content, new Dialect("UTF-8", ':', 3, false, false));
        assertThat(bare.columns()).extracting(ColumnSurvey::label).containsExactly("Column 1", "Column 2");
        assertThat(bare.rows()).isEqualTo(2);
        assertThat(Files.read(content, bare, Plan.suggestedBy(bare, "T"))).containsExactly(
                new Outcome.Fits(List.of(Value.of(1), Value.of("x"))),
                new Outcome.Fits(List.of(Value.of(2), Value.of("y"))));
    }

    @Test
    void linesCountFromTheTopOfTheFile() {
        Survey survey = Files.survey("# one\n# two\nplanted,n\n" + "2024-03-09,1\n".repeat(60) + "blah,2\n");
        assertThat(survey.dialect().top()).isEqualTo(2);
        assertThat(survey.columns().getFirst().fit(Reading.DATE_YEAR_FIRST).misfits().examples())
                .containsExactly(new Fit.Example(64, "blah"));
    }

    @Test
    void whatWasSaidOfColumnsHoldsWhenTheFileIsReadAnew() {
        FileContent content = Files.of("name;price\nSüßer Jakob;5\nx;6\n");
        Survey before = Files.survey(content, Dialect.of("windows-1252", ';'));
        Plan suggested = Plan.suggestedBy(before, "Apples");
        Plan said = new Plan("Apples", List.of(new Plan.Column(0, "Sort", Reading.TEXT, false),
                suggested.columns().get(1).withReading(Reading.TEXT)));
        Plan carried = said.carriedOver(before, Files.survey(content, Dialect.of("UTF-8", ';')));
        assertThat(carried).isEqualTo(said);
        Plan narrower = said.carriedOver(before, Files.survey(content, Dialect.of("UTF-8", ',')));
        assertThat(narrower.columns()).hasSize(1);
    }

    @Test
    void aRowWithMoreThanARowHasRoomForIsKeptAside() {
        String header = IntStream.range(0, 500).mapToObj(i -> "c" + i).collect(Collectors.joining(",")) + "\n";
        String row = IntStream.range(0, 500).mapToObj(i -> "a text of some length " + i).collect(Collectors.joining(","));
        List<Outcome> outcomes = Files.read(header + row + "\n");
        assertThat(outcomes).singleElement().isInstanceOfSatisfying(Outcome.KeptAside.class,
                kept -> assertThat(kept.reasons()).containsExactly(Problem.of("row.too-wide", 500)));
    }
}
