package org.pressboard.intake;

import de.siegmar.fastcsv.reader.CloseableIterator;
import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.Closeable;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.Problem;
import org.pressboard.value.Value;

/** Reads the records of a file as a plan says, one after the other, in constant memory. To be closed. */
public final class RecordReader implements Iterator<Outcome>, Closeable {

    private final int width;
    private final List<Plan.Column> columns;
    private final CloseableIterator<CsvRecord> records;

    private RecordReader(int width, List<Plan.Column> columns, CloseableIterator<CsvRecord> records) {
        this.width = width;
        this.columns = columns;
        this.records = records;
    }

    public static RecordReader open(FileContent content, Survey survey, Plan plan) throws IOException {
        CloseableIterator<CsvRecord> records = survey.dialect().read(content).iterator();
        records.next(); // the header
        return new RecordReader(survey.columns().size(), plan.taken(), records);
    }

    @Override
    public boolean hasNext() {
        try {
            return records.hasNext();
        } catch (CsvParseException unreadable) {
            throw Survey.unreadable(unreadable);
        }
    }

    @Override
    public Outcome next() {
        CsvRecord csvRecord = records.next();
        if (csvRecord.getFieldCount() != width) {
            return aside(csvRecord, List.of(Problem.of("row.ragged", csvRecord.getFieldCount(), width)));
        }
        @Nullable Value[] values = new Value[columns.size()];
        List<Problem> problems = new ArrayList<>(0);
        for (int i = 0; i < values.length; i++) {
            Plan.Column column = columns.get(i);
            values[i] = read(column, csvRecord.getField(column.index()), problems);
        }
        return problems.isEmpty() ? new Outcome.Fits(Arrays.asList(values)) : aside(csvRecord, problems);
    }

    private static @Nullable Value read(Plan.Column column, String text, List<Problem> problems) {
        if (text.isBlank()) {
            return null;
        }
        Optional<Value> value = column.reading().read(text);
        if (value.isEmpty()) {
            problems.add(Problem.of("row.misfit." + column.reading().name().toLowerCase(java.util.Locale.ROOT),
                    column.label(), text));
        }
        return value.orElse(null);
    }

    private static Outcome aside(CsvRecord csvRecord, List<Problem> problems) {
        return new Outcome.KeptAside(csvRecord.getStartingLineNumber(), problems, csvRecord.getFields());
    }

    @Override
    public void close() throws IOException {
        records.close();
    }
}
