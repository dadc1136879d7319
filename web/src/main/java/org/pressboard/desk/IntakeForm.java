package org.pressboard.desk;

import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.bulk.Intake;
import org.pressboard.intake.ColumnSurvey;
import org.pressboard.intake.Dialect;
import org.pressboard.intake.Fit;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.intake.Survey;
import org.pressboard.problem.Problems;
import org.pressboard.table.Currencies;
import org.pressboard.table.TableKey;
import org.pressboard.value.Names;

/**
 * The screen on which a file becomes a table, as it stands: what the owner has chosen so far, beside the evidence.
 *
 * @param problems what is still missing, said once the owner wants to go on
 */
record IntakeForm(Plan plan, List<Column> columns, Problems problems) {

    /** What stands between a reading and the table that it leads to. */
    static final String TO = ":";

    /** One column of the file, and what it is to become. */
    public record Column(Plan.Column said, ColumnSurvey survey, List<Sample> samples) {

        public int index() {
            return said.index();
        }

        public String label() {
            return said.label();
        }

        public boolean isLeftOut() {
            return said.leftOut();
        }

        public boolean isUndecided() {
            return said.reading() == null;
        }

        /** The name of the chosen reading; empty while the owner has yet to decide. */
        public String reading() {
            return said.reading() == null ? "" : said.reading().name();
        }

        /** What of the choices is chosen: the reading, and of a reference to where it leads. */
        public String choice() {
            return said.to() == null ? reading() : reading() + IntakeForm.TO + said.to();
        }

        /** The readings to choose from by themselves. */
        public List<Reading> offered() {
            return survey.offered().stream().filter(reading -> !reading.isOfRows()).toList();
        }

        /** Whether somebody must say of which currency it is. */
        public boolean isAmount() {
            return !isLeftOut() && said.reading() != null && said.reading().isAmount();
        }

        /** How many digits the amounts may have behind the mark, where some have more; else -1. */
        public int minorUnits() {
            int minor = isAmount() ? Currency.getInstance(said.amountsOf()).getDefaultFractionDigits() : -1;
            return minor >= 0 && fit().digits() > minor ? minor : -1;
        }

        public boolean isBeside() {
            return !isLeftOut() && said.isBeside();
        }

        public Fit fit() {
            return said.reading() == null || said.leftOut() ? Fit.WHOLE : survey.fit(said.reading());
        }

        /** What the first of the texts that would not stay the same becomes. */
        public String becomes() {
            return said.reading() == null ? ""
                    : said.reading().rewritten(fit().altered().examples().getFirst().text());
        }

        /** What another reading would do to a column that is taken for text; none where there is none. */
        public List<Price> price() {
            boolean isText = said.reading() != null && !said.reading().isShaped();
            return survey.atAPrice().filter(reading -> isText).map(reading -> {
                String text = survey.fit(reading).altered().examples().getFirst().text();
                return List.of(new Price(reading, text, reading.rewritten(text)));
            }).orElse(List.of());
        }

        public String example() {
            return samples.stream().map(Sample::text).filter(text -> !text.isBlank()).findFirst().orElse("");
        }
    }

    /** A reading that would take in the whole column, but not leave this text the same. */
    public record Price(Reading reading, String text, String becomes) {
    }

    /** A text of one of the first rows, and whether it fits. */
    public record Sample(String text, boolean fits) {
    }

    /** The screen as it was left, or as the evidence suggests it. */
    static IntakeForm of(Intake intake) {
        return of(intake, Objects.requireNonNull(intake.plan()));
    }

    private static IntakeForm of(Intake intake, Plan plan) {
        Survey survey = Objects.requireNonNull(intake.survey());
        List<Column> columns = plan.columns().stream().map(column ->
                new Column(column, survey.columns().get(column.index()), samples(survey, column))).toList();
        return new IntakeForm(plan, columns, Problems.NONE);
    }

    private static List<Sample> samples(Survey survey, Plan.Column column) {
        return survey.firstRows().stream().map(row -> row.get(column.index()))
                .map(text -> new Sample(text, text.isBlank() || column.reading() == null || column.leftOut()
                        || column.reading().isBeside() || column.reading().read(text).isPresent())).toList();
    }

    /** The screen as it was sent; as it was left where it was sent of another reading of the file. */
    static IntakeForm sent(Intake intake, Map<String, String> parameters) {
        Survey survey = Objects.requireNonNull(intake.survey());
        if (!String.valueOf(survey.columns().size()).equals(parameters.get("width"))) {
            return of(intake);
        }
        List<Plan.Column> columns = new ArrayList<>();
        for (int i = 0; i < survey.columns().size(); i++) {
            String[] choice = parameters.getOrDefault("reading." + i, "").split(TO, 2);
            Reading reading = reading(survey.columns().get(i), choice[0]);
            boolean leads = reading != null && reading.isOfRows() && choice.length > 1 && Names.isValid(choice[1]);
            columns.add(new Plan.Column(i, parameters.getOrDefault("label." + i, ""), reading,
                    !parameters.containsKey("take." + i), leads ? new TableKey(choice[1]) : null,
                    parameters.containsKey("making." + i), currency(parameters.get("currency." + i)), maybe(intake, i)));
        }
        return of(intake, new Plan(parameters.getOrDefault("label", ""), columns));
    }

    private static @Nullable TableKey maybe(Intake intake, int column) {
        List<Plan.Column> columns = Objects.requireNonNull(intake.plan()).columns();
        return column < columns.size() ? columns.get(column).maybe() : null;
    }

    private static @Nullable String currency(@Nullable String chosen) {
        return chosen != null && Currencies.ALL.contains(chosen) ? chosen : null;
    }

    private static @Nullable Reading reading(ColumnSurvey column, String chosen) {
        return column.offered().stream().filter(reading -> reading.name().equals(chosen)).findFirst().orElse(null);
    }

    /** How the owner says that the file is written, where that differs from how it was read. */
    static Optional<Dialect> dialect(Intake intake, Map<String, String> parameters) {
        Dialect read = Objects.requireNonNull(intake.survey()).dialect();
        String encoding = parameters.getOrDefault("encoding", read.encoding());
        String delimiter = parameters.getOrDefault("delimiter", String.valueOf(read.delimiter()));
        int top = top(parameters.getOrDefault("top", ""), read.top());
        boolean headed = parameters.getOrDefault("headed", read.headed() ? "yes" : "no").equals("yes");
        if (delimiter.length() != 1 || !Dialect.canRead(encoding, delimiter.charAt(0))) {
            return Optional.empty();
        }
        Dialect said = new Dialect(encoding, delimiter.charAt(0), top, headed, read.closing());
        return said.equals(read) ? Optional.empty() : Optional.of(said);
    }

    private static int top(String text, int otherwise) {
        return text.matches("\\d{1,4}") ? Math.min(Integer.parseInt(text), Dialect.MOST_TOP) : otherwise;
    }

    IntakeForm with(Problems found) {
        return new IntakeForm(plan, columns, found);
    }

    /** Whether pictures or files are named, which can be brought in an archive. */
    public boolean namesFiles() {
        return columns.stream().anyMatch(column -> column.isBeside() && column.said.to() == null);
    }

    public int rowCount() {
        return columns.isEmpty() ? 0 : columns.getFirst().samples.size();
    }
}
