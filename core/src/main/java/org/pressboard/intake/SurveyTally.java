package org.pressboard.intake;

import java.util.ArrayList;
import java.util.List;
import java.util.function.LongConsumer;
import org.pressboard.problem.ProblemsFound;

/** Goes through the records of a file once. For one use. */
final class SurveyTally {

    static final int FIRST_ROWS = 8;
    private static final int EXAMPLES = 5;
    private static final int PROGRESS_EVERY = 5_000;

    private final Dialect dialect;
    private final Records.Line first;
    private final List<ColumnTally> columns;
    private final List<List<String>> firstRows = new ArrayList<>();
    private final List<Fit.Example> badExamples = new ArrayList<>();
    private long rows;
    private long ragged;
    private long blankLines;
    private long bad;

    /** @throws ProblemsFound when the first record is wider than a table can be */
    SurveyTally(Dialect dialect, Records.Line first, int blankLinesBefore) {
        if (first.texts().size() > Survey.MOST_COLUMNS) {
            throw ProblemsFound.of("file.too-many-columns", first.texts().size(), Survey.MOST_COLUMNS);
        }
        this.dialect = dialect;
        this.first = first;
        this.blankLines = blankLinesBefore;
        this.columns = Heading.of(first.texts(), dialect.headed()).stream().map(ColumnTally::new).toList();
    }

    Survey read(Records records, LongConsumer progress) {
        if (!dialect.headed()) {
            add(first, records);
        }
        while (records.hasNext()) {
            add(records.next(), records);
            if (rows % PROGRESS_EVERY == 0) {
                progress.accept(rows);
            }
        }
        // headings alone make a table to be filled
        if (rows == 0 && !dialect.headed()) {
            throw ProblemsFound.of("file.empty");
        }
        return new Survey(dialect, columns.stream().map(ColumnTally::survey).toList(), rows, ragged, blankLines,
                new Fit.Found(bad, badExamples), firstRows);
    }

    private void add(Records.Line line, Records records) {
        if (line.isBlank() && columns.size() > 1) {
            blankLines++;
            return;
        }
        rows++;
        if (line.texts().size() != columns.size()) {
            ragged++;
        } else if (records.hasBadBytes() && line.texts().stream().anyMatch(BadBytes::isIn)) {
            addBad(line);
        } else {
            for (int i = 0; i < columns.size(); i++) {
                columns.get(i).add(line.texts().get(i), line.number());
            }
        }
        if (firstRows.size() < FIRST_ROWS && line.texts().size() == columns.size()) {
            firstRows.add(shown(line.texts()));
        }
    }

    private void addBad(Records.Line line) {
        bad++;
        if (badExamples.size() < EXAMPLES) {
            badExamples.add(Fit.Example.of(line.number(), BadBytes.shown(
                    line.texts().stream().filter(BadBytes::isIn).findFirst().orElseThrow())));
        }
    }

    static List<String> shown(List<String> texts) {
        return texts.stream().map(text -> Fit.Example.shortened(BadBytes.shown(text))).toList();
    }
}
