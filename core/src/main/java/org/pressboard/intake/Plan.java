package org.pressboard.intake;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Currencies;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/** What a file is to become: the label of the table, and for each column of the file what it becomes. */
public record Plan(String label, List<Column> columns) {

    /**
     * What one column becomes.
     *
     * @param index   its place in the file, from 0
     * @param reading how its texts are read; {@code null} while that is to be said
     * @param to      the table whose rows it names; {@code null} where it names none
     * @param making  whether rows that are not found there are made
     * @param currency of which amounts are that have none with them; {@code null} where that is not said
     * @param maybe   a table whose rows are called so, perhaps by chance; {@code null}: none is known
     */
    public record Column(int index, String label, @Nullable Reading reading, boolean leftOut, @Nullable TableKey to,
                         boolean making, @Nullable String currency, @Nullable TableKey maybe) {

        public Column(int index, String label, @Nullable Reading reading, boolean leftOut) {
            this(index, label, reading, leftOut, null, false, null, null);
        }

        /** Whether it is yet to be said how it is read, or to where it leads. */
        public boolean isUndecided() {
            return reading == null || (reading.isOfRows() && to == null);
        }

        /** Whether what it names is kept elsewhere, and where is said. */
        public boolean isBeside() {
            return reading != null && reading.isBeside() && !isUndecided();
        }

        /** The same, which may name rows of that table. */
        public Column maybe(TableKey table) {
            return new Column(index, label, reading, leftOut, to, making, currency, table);
        }

        public Column withReading(Reading other) {
            return new Column(index, label, other, leftOut);
        }

        public Column referringTo(TableKey table, boolean makingRows) {
            return new Column(index, label, Reading.REFERENCE, leftOut, table, makingRows, null, null);
        }

        /** Each text naming several rows. */
        public Column referringToSeveral(TableKey table, boolean makingRows) {
            return new Column(index, label, Reading.REFERENCES, leftOut, table, makingRows, null, null);
        }

        /** Of amounts that are not said to be of another currency. */
        public String amountsOf() {
            return Objects.requireNonNullElse(currency, Currencies.USUAL);
        }

        /** The value of a text that is not kept beside the file; empty where it does not fit. */
        Optional<Value> read(String text) {
            Optional<Value> value = Objects.requireNonNull(reading).read(text);
            return reading.isAmount() ? value.filter(new Numeric.Money(amountsOf())::isInMinorUnits) : value;
        }
    }

    public Plan {
        columns = List.copyOf(columns);
    }

    /**
     * Every column as the evidence suggests, open where it leaves it open; columns in which nothing stands are left
     * out.
     */
    public static Plan suggestedBy(Survey survey, String label) {
        List<Column> columns = new ArrayList<>();
        for (ColumnSurvey column : survey.columns()) {
            columns.add(new Column(columns.size(), column.label(),
                    column.isUndecided() ? null : column.suggested().getFirst(),
                    survey.rows() > 0 && column.filled() == 0 && column.blanks() == 0));
        }
        return new Plan(label, columns);
    }

    /** The same for the file read anew, where its columns are the same in number: what was said of them holds. */
    public Plan carriedOver(Survey before, Survey anew) {
        Plan suggested = suggestedBy(anew, label);
        if (columns.size() != suggested.columns.size()) {
            return suggested;
        }
        List<Column> carried = new ArrayList<>();
        for (Column column : suggested.columns) {
            carried.add(carried(columns.get(column.index), before.columns().get(column.index), column,
                    anew.columns().get(column.index)));
        }
        return new Plan(label, carried);
    }

    private static Column carried(Column said, ColumnSurvey before, Column suggested, ColumnSurvey anew) {
        boolean named = !said.label.equals(before.label());
        boolean typed = said.reading != null && !said.reading.equals(before.suggested().getFirst())
                && anew.offered().contains(said.reading);
        return new Column(suggested.index, named ? said.label : suggested.label,
                typed ? said.reading : suggested.reading, said.leftOut || suggested.leftOut,
                typed ? said.to : suggested.to, typed && said.making, typed ? said.currency : null, suggested.maybe);
    }

    public List<Column> taken() {
        return columns.stream().filter(column -> !column.leftOut()).toList();
    }

    /** What keeps this plan from being carried out. */
    public Problems check() {
        List<Problem> problems = new ArrayList<>();
        if (label.isBlank()) {
            problems.add(Problem.of("plan.no-label"));
        }
        if (taken().isEmpty()) {
            problems.add(Problem.of("plan.nothing-taken"));
        }
        taken().stream().filter(column -> column.label().isBlank())
                .forEach(column -> problems.add(Problem.of("plan.no-field-label", column.index() + 1)));
        taken().stream().filter(Column::isUndecided)
                .forEach(column -> problems.add(Problem.of("plan.undecided", column.label())));
        return new Problems(problems);
    }

    /**
     * The fields that the taken columns become, in their order, with keys made from their labels. All is decided.
     *
     * @param people the table of the members, where there is one
     */
    public Fields fields(Survey survey, @Nullable TableKey people) {
        Set<String> taken = new HashSet<>();
        List<Field> fields = new ArrayList<>();
        for (Column column : taken()) {
            FieldKey key = FieldKey.from(column.label(), taken);
            taken.add(key.name());
            fields.add(new Field(key, column.label().strip(),
                    type(column, survey.columns().get(column.index()), people)));
        }
        return new Fields(fields);
    }

    private static FieldType type(Column column, ColumnSurvey survey, @Nullable TableKey people) {
        Reading reading = Objects.requireNonNull(column.reading());
        return switch (reading) {
            case YES_NO -> new FieldType.YesNo();
            case WHOLE -> new Numeric.WholeNumber(!survey.looksLikeYears());
            case DECIMAL_POINT, DECIMAL_COMMA -> new Numeric.Decimal(survey.fit(reading).digits());
            case DATE_YEAR_FIRST, DATE_DAY_FIRST, DATE_MONTH_FIRST, DATE_MONTH_NAMED -> new Temporal.Date();
            case MOMENT_YEAR_FIRST, MOMENT_DAY_FIRST, MOMENT_MONTH_FIRST, MOMENT_MONTH_NAMED ->
                    new Temporal.DateTime();
            case TIME -> new Temporal.TimeOfDay();
            case PERCENT_POINT, PERCENT_COMMA -> new Numeric.Percent(survey.fit(reading).digits());
            case MONEY_POINT, MONEY_COMMA -> new Numeric.Money(survey.currency());
            case AMOUNT_POINT, AMOUNT_COMMA -> new Numeric.Money(column.amountsOf());
            case SHARE_POINT, SHARE_COMMA -> new Numeric.Percent(survey.fit(reading).digits());
            case EMAIL -> new Textual.Email();
            case LINK -> new Textual.Link();
            case PHONE -> new Textual.Phone();
            case CHOICE -> Chosen.Choice.coloured(survey.options());
            case CHOICES -> Chosen.Choices.of(survey.parts());
            case TEXT -> new Textual.Text();
            case LONG_TEXT -> new Textual.LongText();
            case FORMATTED_TEXT, FORMATTED_HTML -> new Textual.FormattedText();
            case RATING -> new Numeric.Rating(survey.marks());
            case REFERENCE -> referring(Objects.requireNonNull(column.to()), people);
            case REFERENCES -> new Referring.References(Objects.requireNonNull(column.to()),
                    Referring.OnRemoval.REFUSE);
            case PICTURE -> new Attached.Picture();
            case PICTURES -> new Attached.Pictures();
            case FILE -> new Attached.File();
        };
    }

    private static FieldType referring(TableKey to, @Nullable TableKey people) {
        return to.equals(people) ? new Referring.Person(to, Referring.OnRemoval.CLEAR)
                : new Referring.Reference(to, Referring.OnRemoval.REFUSE);
    }
}
