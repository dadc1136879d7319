package org.pressboard.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.pressboard.bulk.Intake;
import org.pressboard.intake.ColumnSurvey;
import org.pressboard.intake.Misfits;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.intake.Survey;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;

/**
 * The screen on which a file becomes a table, as it stands: what the owner has chosen so far, beside the evidence.
 *
 * @param problems what is still missing, said once the owner wants to go on
 */
record IntakeForm(String label, List<Column> columns, Problems problems) {

    /**
     * One column of the file.
     *
     * @param reading the chosen reading's name; empty while the owner has yet to decide
     */
    public record Column(int index, String label, boolean leftOut, String reading, List<Reading> offered,
                         ColumnSurvey survey, List<Sample> samples) {

        public boolean isUndecided() {
            return reading.isEmpty();
        }

        public Misfits misfits() {
            return isUndecided() || leftOut ? Misfits.NONE : survey.misfitsOf(Reading.valueOf(reading));
        }

        public String example() {
            return samples.stream().map(Sample::text).filter(text -> !text.isBlank()).findFirst().orElse("");
        }
    }

    /** A text of one of the first rows, and whether it fits. */
    public record Sample(String text, boolean fits) {
    }

    /** The screen as the evidence suggests it; where the evidence leaves it open, nothing is chosen. */
    static IntakeForm of(Intake intake) {
        Survey survey = Objects.requireNonNull(intake.survey());
        Plan plan = Objects.requireNonNull(intake.plan());
        List<Column> columns = new ArrayList<>();
        for (Plan.Column column : plan.columns()) {
            boolean open = survey.columns().get(column.index()).isUndecided();
            columns.add(column(survey, column.index(), column.label(), column.leftOut(),
                    open ? "" : column.reading().name()));
        }
        return new IntakeForm(plan.label(), columns, Problems.NONE);
    }

    /** The screen as it was sent. */
    static IntakeForm sent(Intake intake, Map<String, String> parameters) {
        Survey survey = Objects.requireNonNull(intake.survey());
        List<Column> columns = new ArrayList<>();
        for (int i = 0; i < survey.columns().size(); i++) {
            columns.add(column(survey, i, parameters.getOrDefault("label." + i, ""),
                    !parameters.containsKey("take." + i), parameters.getOrDefault("reading." + i, "")));
        }
        return new IntakeForm(parameters.getOrDefault("label", ""), columns, Problems.NONE);
    }

    private static Column column(Survey survey, int index, String label, boolean leftOut, String chosen) {
        ColumnSurvey column = survey.columns().get(index);
        List<Reading> offered = column.offered();
        String reading = offered.stream().map(Reading::name).filter(chosen::equals).findFirst().orElse("");
        List<Sample> samples = survey.firstRows().stream().map(row -> row.get(index))
                .map(text -> new Sample(text, text.isBlank() || reading.isEmpty() || leftOut
                        || Reading.valueOf(reading).read(text).isPresent()))
                .toList();
        return new Column(index, label, leftOut, reading, offered, column, samples);
    }

    /** What keeps the owner from going on. */
    Problems check() {
        List<Problem> open = columns.stream().filter(column -> !column.leftOut && column.isUndecided())
                .map(column -> Problem.of("plan.undecided", column.label)).toList();
        return new Problems(open).and(plan().check());
    }

    IntakeForm with(Problems found) {
        return new IntakeForm(label, columns, found);
    }

    Plan plan() {
        return new Plan(label, columns.stream().map(column -> new Plan.Column(column.index, column.label,
                column.isUndecided() ? column.survey.suggested().getFirst() : Reading.valueOf(column.reading),
                column.leftOut)).toList());
    }

    public int rowCount() {
        return columns.isEmpty() ? 0 : columns.getFirst().samples.size();
    }
}
