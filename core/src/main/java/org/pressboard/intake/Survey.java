package org.pressboard.intake;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.LongConsumer;
import org.pressboard.problem.ProblemsFound;

/**
 * What a file holds: how it is written, its columns with the evidence for their types, and its first rows. Reads the
 * whole file once, in constant memory.
 *
 * <pre>{@code
 * Survey survey = Survey.of(content, rows -> {});
 * Plan plan = Plan.suggestedBy(survey, "Trees");
 * }</pre>
 *
 * @param rows       the records behind the header
 * @param ragged     how many of them have more or fewer values than there are columns
 * @param blankLines how many lines with nothing on them are passed over
 * @param badBytes   the records with bytes that mean nothing in the encoding
 */
public record Survey(Dialect dialect, List<ColumnSurvey> columns, long rows, long ragged, long blankLines,
                     Fit.Found badBytes, List<List<String>> firstRows) {

    /** PostgreSQL takes 1,600 columns of a table at most; the rest is room for what Pressboard adds. */
    public static final int MOST_COLUMNS = 1000;

    public Survey {
        columns = List.copyOf(columns);
        firstRows = List.copyOf(firstRows);
    }

    /**
     * Surveys a file, telling how many rows have been read from time to time.
     *
     * @throws ProblemsFound when it cannot be read as separated values
     */
    public static Survey of(FileContent content, LongConsumer progress) throws IOException {
        return read(content, DialectSniffer.sniff(content), progress);
    }

    /** Surveys a file as somebody says that it is written; whether each record ends with a delimiter is worked out. */
    public static Survey of(FileContent content, Dialect chosen, LongConsumer progress) throws IOException {
        return read(content, DialectSniffer.completed(content, chosen), progress);
    }

    private static Survey read(FileContent content, Dialect dialect, LongConsumer progress) throws IOException {
        try (Records records = Records.open(content, dialect)) {
            return read(records, dialect, progress);
        }
    }

    private static Survey read(Records records, Dialect dialect, LongConsumer progress) {
        int blankLines = 0;
        while (records.hasNext()) {
            Records.Line first = records.next();
            if (!first.isBlank()) {
                return new SurveyTally(dialect, first, blankLines).read(records, progress);
            }
            blankLines++;
        }
        throw ProblemsFound.of("file.empty");
    }

    /** The first so many rows, read as somebody says; for a look while the whole file is still being read. */
    public static List<List<String>> firstRows(FileContent content, Dialect dialect) throws IOException {
        List<List<String>> rows = new ArrayList<>();
        try (Records records = Records.open(content, dialect)) {
            while (rows.size() <= SurveyTally.FIRST_ROWS && records.hasNext()) {
                rows.add(SurveyTally.shown(records.next().texts()));
            }
        }
        return rows;
    }
}
