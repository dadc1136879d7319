package org.pressboard.intake;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
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
 * @param rows   the records behind the header
 * @param ragged how many of them have more or fewer values than there are columns
 */
public record Survey(Dialect dialect, List<ColumnSurvey> columns, long rows, long ragged,
                     List<List<String>> firstRows) {

    /** PostgreSQL takes 1,600 columns of a table at most; the rest is room for what Pressboard adds. */
    public static final int MOST_COLUMNS = 1000;

    private static final int FIRST_ROWS = 8;
    private static final int PROGRESS_EVERY = 5_000;

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
        Dialect dialect = DialectSniffer.sniff(content);
        try (CsvReader<CsvRecord> records = dialect.read(content)) {
            return of(dialect, records.iterator(), progress);
        } catch (CsvParseException unreadable) {
            throw unreadable(unreadable);
        }
    }

    private static Survey of(Dialect dialect, Iterator<CsvRecord> records, LongConsumer progress) {
        if (!records.hasNext()) {
            throw ProblemsFound.of("file.empty");
        }
        List<ColumnTally> columns = labels(records.next().getFields()).stream().map(ColumnTally::new).toList();
        if (!records.hasNext()) {
            throw ProblemsFound.of("file.only-header");
        }
        List<List<String>> firstRows = new ArrayList<>();
        long rows = 0;
        long ragged = 0;
        while (records.hasNext()) {
            CsvRecord csvRecord = records.next();
            if (++rows % PROGRESS_EVERY == 0) {
                progress.accept(rows);
            }
            if (csvRecord.getFieldCount() != columns.size()) {
                ragged++;
            } else {
                tally(columns, csvRecord);
                if (firstRows.size() < FIRST_ROWS) {
                    firstRows.add(csvRecord.getFields());
                }
            }
        }
        return new Survey(dialect, columns.stream().map(ColumnTally::survey).toList(), rows, ragged, firstRows);
    }

    private static void tally(List<ColumnTally> columns, CsvRecord csvRecord) {
        for (int i = 0; i < columns.size(); i++) {
            String text = csvRecord.getField(i);
            if (!text.isBlank()) {
                columns.get(i).add(text, csvRecord.getStartingLineNumber());
            }
        }
    }

    private static List<String> labels(List<String> header) {
        if (header.size() > MOST_COLUMNS) {
            throw ProblemsFound.of("file.too-many-columns", header.size(), MOST_COLUMNS);
        }
        Set<String> taken = new HashSet<>();
        List<String> labels = new ArrayList<>();
        for (String heading : header) {
            String plain = heading.strip().replaceAll("\\s+", " ");
            String label = plain.isEmpty() ? "Column " + (labels.size() + 1) : shortened(plain);
            String unique = label;
            for (int number = 2; !taken.add(unique); number++) {
                unique = label + " " + number;
            }
            labels.add(unique);
        }
        return labels;
    }

    private static String shortened(String label) {
        return label.length() <= 100 ? label : label.substring(0, 99) + "…";
    }

    static ProblemsFound unreadable(CsvParseException cause) {
        ProblemsFound problems = ProblemsFound.of("file.unreadable", String.valueOf(cause.getMessage()));
        problems.initCause(cause);
        return problems;
    }
}
