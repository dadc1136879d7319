package org.pressboard.intake;

import java.io.Closeable;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.NoSuchElementException;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.Problem;
import org.pressboard.value.Value;

/** Reads the records of a file as a plan says, one after the other, in constant memory. To be closed. */
public final class RecordReader implements Iterator<Outcome>, Closeable {

    private final int width;
    private final List<Plan.Column> columns;
    private final Records records;
    private final Beside beside;
    private Records.@Nullable Line upcoming;

    /** Finds what texts of a file name that is kept elsewhere: rows of other tables, and other files. */
    public interface Beside {

        /** Where nothing else is known: rows are not found, and of files their names are kept. */
        Beside NOTHING = (column, text) -> Objects.requireNonNull(column.reading()).isOfRows() ? Optional.empty()
                : column.read(text);

        /** The value that the text of a column stands for; empty where it names nothing. */
        Optional<Value> find(Plan.Column column, String text);
    }

    private RecordReader(int width, List<Plan.Column> columns, Records records, Beside beside) {
        this.width = width;
        this.columns = columns;
        this.records = records;
        this.beside = beside;
    }

    public static RecordReader open(FileContent content, Survey survey, Plan plan, Beside beside) throws IOException {
        RecordReader reader = new RecordReader(survey.columns().size(), plan.taken(),
                Records.open(content, survey.dialect()), beside);
        reader.begin(survey.dialect().headed());
        return reader;
    }

    /** The first record on which something stands has the headings, or is the first row. */
    private void begin(boolean headed) {
        Records.Line first = null;
        while (first == null && records.hasNext()) {
            Records.Line line = records.next();
            first = line.isBlank() ? null : line;
        }
        upcoming = headed ? null : first;
    }

    @Override
    public boolean hasNext() {
        while (upcoming == null && records.hasNext()) {
            Records.Line line = records.next();
            upcoming = line.isBlank() && width > 1 ? null : line;
        }
        return upcoming != null;
    }

    @Override
    public Outcome next() {
        if (!hasNext()) {
            throw new NoSuchElementException();
        }
        Records.Line line = Objects.requireNonNull(upcoming);
        upcoming = null;
        return read(line);
    }

    private Outcome read(Records.Line line) {
        if (line.texts().size() != width) {
            return aside(line, List.of(Problem.of("row.ragged", line.texts().size(), width)));
        }
        if (records.hasBadBytes() && line.texts().stream().anyMatch(BadBytes::isIn)) {
            return aside(line, List.of(Problem.of("row.bad-bytes",
                    BadBytes.written(String.join("", line.texts())))));
        }
        @Nullable Value[] values = new Value[columns.size()];
        List<Problem> problems = new ArrayList<>(0);
        for (int i = 0; i < values.length; i++) {
            Plan.Column column = columns.get(i);
            values[i] = read(column, line.texts().get(column.index()), problems);
        }
        if (problems.isEmpty() && RowRoom.isTooWide(values)) {
            problems.add(Problem.of("row.too-wide", values.length));
        }
        return problems.isEmpty() ? new Outcome.Fits(Arrays.asList(values)) : aside(line, problems);
    }

    private @Nullable Value read(Plan.Column column, String text, List<Problem> problems) {
        Reading reading = Objects.requireNonNull(column.reading());
        if (text.isEmpty() || (reading.isShaped() && text.isBlank())) {
            return null;
        }
        Optional<Value> value = reading.isWorkedOutElsewhere() ? beside.find(column, text) : column.read(text);
        if (value.isEmpty()) {
            problems.add(Problem.of("row.misfit." + reading.name().toLowerCase(Locale.ROOT), column.label(),
                    Fit.Example.shortened(text)));
        }
        return value.orElse(null);
    }

    private static Outcome aside(Records.Line line, List<Problem> problems) {
        return new Outcome.KeptAside(line.number(), problems, line.texts().stream().map(BadBytes::shown).toList());
    }

    @Override
    public void close() throws IOException {
        records.close();
    }
}
