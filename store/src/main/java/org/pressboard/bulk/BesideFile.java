package org.pressboard.bulk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import org.pressboard.intake.FileContent;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.intake.RecordReader;
import org.pressboard.intake.Survey;
import org.pressboard.schema.RowNames;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;

/** The rows of other tables that a file names, and the pictures brought beside it. For one use. */
public final class BesideFile implements RecordReader.Beside {

    private final Tables tables;
    private final RowNames names;
    private final Map<String, String> pictures;
    private final Map<TableKey, Map<String, RowId>> rows = new HashMap<>();
    private final Set<Value> used = new LinkedHashSet<>();

    /** @param pictures the contents of the pictures that were brought, by their folded names */
    BesideFile(Tables tables, RowNames names, Map<String, String> pictures) {
        this.tables = tables;
        this.names = names;
        this.pictures = pictures;
    }

    @Override
    public Optional<Value> find(Plan.Column column, String text) {
        Reading reading = Objects.requireNonNull(column.reading());
        return switch (reading) {
            case REFERENCE -> row(column, text);
            case FORMATTED_HTML -> Optional.of(HtmlTexts.commonMark(text)).filter(read -> !read.isEmpty()).map(Value::of);
            case REFERENCES -> Value.Several.ofAll(rowsNamed(column, text).stream().map(name -> row(column, name)));
            default -> reading.read(text).map(value -> value instanceof Value.Several(List<Value> values)
                    ? new Value.Several(values.stream().map(this::withContent).toList()) : withContent(value));
        };
    }

    private Optional<Value> row(Plan.Column column, String name) {
        RowId row = rows(Objects.requireNonNull(column.to())).get(RowNames.folded(name));
        return Optional.ofNullable(row).map(number -> new Value.Referred(number, name));
    }

    /** A text that is one name as it stands, whatever marks are in it, is that; else what stands between the marks. */
    private List<String> rowsNamed(Plan.Column column, String text) {
        return row(column, text).isPresent() ? List.of(text) : PlainForm.parts(text);
    }

    /** A picture that was not brought is kept by its name, until somebody brings it. */
    private Value withContent(Value named) {
        String name = ((Value.Attachment) named).name();
        Value.Attachment file = new Value.Attachment(pictures.getOrDefault(Archive.key(name), ""), name);
        if (file.isThere()) {
            used.add(file);
        }
        return file;
    }

    /** The files that were named so far and are there. */
    Set<Value> used() {
        return used;
    }

    private Map<String, RowId> rows(TableKey table) {
        return rows.computeIfAbsent(table, key -> names.of(tables, tables.get(key)));
    }

    /** What columns of a file come to that name rows of tables, or files beside it, each by its place. */
    Map<Integer, Naming> namings(FileContent content, Survey survey, List<Plan.Column> columns, int most) {
        Map<Integer, Tally> tallies = new HashMap<>();
        columns.forEach(column -> tallies.put(column.index(), new Tally()));
        eachText(content, survey, columns, most, (column, text) ->
                Objects.requireNonNull(tallies.get(column.index())).count(missing(column, text)));
        Map<Integer, Naming> namings = new HashMap<>();
        tallies.forEach((index, tally) -> namings.put(index, tally.naming()));
        return namings;
    }

    private static final class Tally {

        private final Set<String> missing = new LinkedHashSet<>();
        private long texts;
        private long misses;

        void count(List<String> missed) {
            texts++;
            misses += missed.isEmpty() ? 0 : 1;
            missing.addAll(missed);
        }

        Naming naming() {
            return new Naming(texts, misses, List.copyOf(missing));
        }
    }

    /** What the text names that is not there. */
    List<String> missing(Plan.Column column, String text) {
        return switch (Objects.requireNonNull(column.reading())) {
            case REFERENCE -> unknown(column, List.of(text));
            case REFERENCES -> unknown(column, rowsNamed(column, text));
            default -> find(column, text).map(value -> value.each().stream().map(Value.Attachment.class::cast)
                    .filter(file -> !file.isThere()).map(Value.Attachment::name).toList()).orElse(List.of(text.strip()));
        };
    }

    private List<String> unknown(Plan.Column column, List<String> names) {
        return names.stream().filter(name -> row(column, name).isEmpty()).map(String::strip).toList();
    }

    /**
     * @param texts   how many were looked at
     * @param misses  how many name something that is not there
     * @param missing what these are, each once
     */
    public record Naming(long texts, long misses, List<String> missing) {
    }

    /**
     * The texts, as they stand in the first records, of columns that name what is kept beside the file; of records
     * that are broken there are none. All columns are read in one go: there may be hundreds.
     */
    static void eachText(FileContent content, Survey survey, List<Plan.Column> columns, int most,
            BiConsumer<Plan.Column, String> each) {
        if (columns.isEmpty()) {
            return;
        }
        RecordReader.Beside telling = (column, text) -> {
            if (!text.isBlank()) {
                each.accept(column, text);
            }
            return Optional.of(Value.of(text));
        };
        try (RecordReader reader = RecordReader.open(content, survey, new Plan("-", columns), telling)) {
            for (int i = 0; i < most && reader.hasNext(); i++) {
                reader.next();
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /**
     * Makes the rows that the columns of a plan name and that are not there, where it says so, and learns all names:
     * COPY will have the connection to itself.
     */
    void prepare(FileContent content, Survey survey, Plan plan) {
        List<Plan.Column> wanted = plan.taken().stream()
                .filter(column -> column.to() != null && column.making()).toList();
        Map<Integer, Naming> namings = namings(content, survey, wanted, Integer.MAX_VALUE);
        for (Plan.Column column : wanted) {
            TableKey to = Objects.requireNonNull(column.to());
            // a column before may have made some of them
            List<String> missing = unknown(column, Objects.requireNonNull(namings.get(column.index())).missing());
            if (!missing.isEmpty()) {
                names.make(tables.get(to), missing);
                rows.remove(to);
            }
        }
        plan.taken().stream().map(Plan.Column::to).filter(Objects::nonNull).forEach(this::rows);
    }
}
