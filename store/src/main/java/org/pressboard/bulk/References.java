package org.pressboard.bulk;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import org.pressboard.catalog.Catalog;
import org.pressboard.intake.FileContent;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.intake.Survey;
import org.pressboard.problem.Problem;
import org.pressboard.problem.Problems;
import org.pressboard.schema.RowNames;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Which columns of a file name rows of the tables that are there. */
@Component
class References {

    private static final Set<Reading> MAY_NAME = Set.of(Reading.TEXT, Reading.LONG_TEXT, Reading.CHOICE, Reading.CHOICES, Reading.EMAIL);
    private static final Pattern PICTURE = Pattern.compile("\\.(?:jpe?g|png|gif|webp|svg)\\s*$", Pattern.CASE_INSENSITIVE);
    private static final int LOOKED_AT = 2_000;
    private static final int MOST_ROWS = 50_000;
    private static final int FEWEST_NAMES = 3;
    private static final int LONGEST_CODE = 3;

    /** What it takes to look closer: marks may stand within names, too. */
    private static final double MOST_NAMED = 0.7;

    private final Catalog catalog;
    private final RowNames names;
    private final Archive archive;

    References(Catalog catalog, RowNames names, Archive archive) {
        this.catalog = catalog;
        this.names = names;
        this.archive = archive;
    }

    /**
     * The plan with columns referring to a table where all of their texts are names of its rows, for what is none would be kept
     * aside; only said to be possible where the texts are short codes, which may fit by chance; not the first column where it tells the file's own rows apart. Tables of very many rows are not looked
     * through for that; they can be chosen.
     */
    @Transactional(readOnly = true)
    public Plan suggestedIn(Plan bare, FileContent content, Survey survey, UUID intake) {
        Plan plan = naming(archive.contents(intake).keySet(), bare, content, survey);
        Map<Integer, Names> texts = texts(plan, content, survey);
        Tables tables = catalog.tables();
        Map<Table, Map<String, RowId>> known = new HashMap<>();
        tables.all().stream().filter(References::hasNames)
                .filter(table -> !texts.isEmpty() && names.areFew(table, MOST_ROWS))
                .forEach(table -> known.put(table, names.of(tables, table)));
        List<Plan.Column> columns = new ArrayList<>();
        for (Plan.Column column : plan.columns()) {
            Names found = texts.getOrDefault(column.index(), new Names());
            if (found.areCodes()) {
                columns.add(best(known, found.whole).map(table -> column.maybe(table.key())).orElse(column));
                continue;
            }
            columns.add(best(known, found.whole).map(table -> column.referringTo(table.key(), false))
                    .or(() -> best(known, found.severalOrNone())
                            .map(table -> column.referringToSeveral(table.key(), false))).orElse(column));
        }
        return new Plan(plan.label(), confirmed(tables, plan.columns(), columns, content, survey));
    }

    /** Columns that name pictures or files that have come along are of these. */
    private static Plan naming(Set<String> brought, Plan plan, FileContent content, Survey survey) {
        if (brought.isEmpty()) {
            return plan;
        }
        Map<Integer, List<String>> named = new HashMap<>();
        List<Plan.Column> candidates = plan.taken().stream().filter(column -> column.reading() != null && MAY_NAME.contains(column.reading()))
                .map(column -> column.withReading(Reading.REFERENCE)).toList();
        BesideFile.eachText(content, survey, candidates, LOOKED_AT, (column, text) ->
                named.computeIfAbsent(column.index(), any -> new ArrayList<>()).add(text));
        return new Plan(plan.label(), plan.columns().stream().map(column -> files(brought, named.getOrDefault(column.index(), List.of()))
                .map(column::withReading).orElse(column)).toList());
    }

    private static Optional<Reading> files(Set<String> brought, List<String> texts) {
        List<List<String>> parts = texts.stream().map(PlainForm::parts).toList();
        List<String> names = parts.stream().flatMap(List::stream).toList();
        long there = names.stream().filter(name -> brought.contains(Archive.key(name))).count();
        if (there == 0 || there < names.size() * MOST_NAMED) {
            return Optional.empty();
        }
        boolean areSeveral = parts.stream().anyMatch(each -> each.size() > 1);
        return Optional.of(areSeveral ? Reading.PICTURES : names.stream().allMatch(name -> PICTURE.matcher(name).find())
                ? Reading.PICTURE : Reading.FILE);
    }

    /** What the first rows suggest, where no row of the file is against it. */
    private List<Plan.Column> confirmed(Tables tables, List<Plan.Column> before, List<Plan.Column> suggested, FileContent content,
            Survey survey) {
        List<Plan.Column> referring = suggested.stream().filter(column -> column.to() != null).toList();
        if (referring.isEmpty()) {
            return suggested; // nothing to read the whole file for
        }
        BesideFile beside = new BesideFile(tables, names, Map.of());
        Set<Integer> unnamed = new HashSet<>();
        BesideFile.eachText(content, survey, referring, Integer.MAX_VALUE, (column, text) -> {
            if (!unnamed.contains(column.index()) && !beside.missing(column, text).isEmpty()) {
                unnamed.add(column.index());
            }
        });
        return suggested.stream().map(column -> unnamed.contains(column.index())
                ? before.get(suggested.indexOf(column)) : column).toList();
    }

    /** The different texts of a column, folded, as they stand and by what stands between marks in them. */
    private static final class Names {

        private final Set<String> whole = new HashSet<>();
        private final Set<String> parts = new HashSet<>();
        private boolean isRepeating;

        void add(String text) {
            isRepeating |= !whole.add(RowNames.folded(text));
            PlainForm.parts(text).stream().map(RowNames::folded).forEach(parts::add);
        }

        /** Whether they are so short, or numbers, that they may be called as rows of another table by chance. */
        boolean areCodes() {
            return whole.stream().allMatch(text -> text.length() <= LONGEST_CODE || text.chars().allMatch(Character::isDigit));
        }

        /** None where no text has several in it. */
        Set<String> severalOrNone() {
            return whole.containsAll(parts) ? Set.of() : parts;
        }
    }

    /** Rows that are called after a day, or after a row of another table, are not named in files. */
    private static boolean hasNames(Table table) {
        return table.rowKey() != null || table.headingField()
                .filter(heading -> heading.isEntered() && heading.type() instanceof Textual.Text).isPresent();
    }

    private static Map<Integer, Names> texts(Plan plan, FileContent content, Survey survey) {
        List<Plan.Column> candidates = plan.taken().stream()
                .filter(column -> column.reading() != null && MAY_NAME.contains(column.reading()))
                .map(column -> column.withReading(Reading.REFERENCE)).toList();
        Map<Integer, Names> texts = new HashMap<>();
        BesideFile.eachText(content, survey, candidates, LOOKED_AT, (column, text) ->
                texts.computeIfAbsent(column.index(), any -> new Names()).add(text));
        plan.taken().stream().map(Plan.Column::index).findFirst()
                .filter(first -> texts.containsKey(first) && !texts.get(first).isRepeating).ifPresent(texts::remove);
        return texts;
    }

    private static Optional<Table> best(Map<Table, Map<String, RowId>> known, Set<String> texts) {
        Table best = null;
        long most = Math.max(FEWEST_NAMES, (long) Math.ceil(texts.size() * MOST_NAMED)) - 1;
        for (Map.Entry<Table, Map<String, RowId>> each : known.entrySet()) {
            long named = texts.stream().filter(each.getValue()::containsKey).count();
            if (named > most) {
                most = named;
                best = each.getKey();
            }
        }
        return Optional.ofNullable(best);
    }

    /** What keeps columns from referring to the tables that they are to refer to. */
    @Transactional(readOnly = true)
    public Problems against(Plan plan) {
        List<Problem> problems = new ArrayList<>();
        Tables tables = catalog.tables();
        for (Plan.Column column : plan.taken()) {
            if (column.to() != null) {
                tables.find(column.to()).ifPresentOrElse(
                        table -> {
                            if (!names.areFew(table, RowNames.MOST_NAMES)) {
                                problems.add(Problem.of("retype.many-rows", table.label(), RowNames.MOST_NAMES));
                            }
                        },
                        () -> problems.add(Problem.of("plan.table-gone", column.label())));
            }
        }
        return new Problems(problems);
    }

    /** What a file names beside itself, among the tables that are there and the pictures that were brought. */
    @Transactional(readOnly = true)
    public BesideFile beside(UUID intake) {
        return new BesideFile(catalog.tables(), names, archive.contents(intake));
    }
}
