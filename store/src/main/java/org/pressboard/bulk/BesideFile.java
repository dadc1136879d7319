package org.pressboard.bulk;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.pressboard.intake.FileContent;
import org.pressboard.intake.Plan;
import org.pressboard.intake.Reading;
import org.pressboard.intake.RecordReader;
import org.pressboard.intake.Survey;
import org.pressboard.schema.RowNames;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.value.Value;

/** The rows of other tables that a file names, and the pictures brought beside it. For one use. */
public final class BesideFile implements RecordReader.Beside {

    private final Tables tables;
    private final RowNames names;
    private final Map<String, String> pictures;
    private final Map<TableKey, Map<String, Long>> rows = new HashMap<>();
    private final Set<Value> used = new LinkedHashSet<>();

    /** @param pictures the contents of the pictures that were brought, by their folded names */
    BesideFile(Tables tables, RowNames names, Map<String, String> pictures) {
        this.tables = tables;
        this.names = names;
        this.pictures = pictures;
    }

    @Override
    public Optional<Value> find(Plan.Column column, String text) {
        if (column.reading() == Reading.REFERENCE) {
            Long row = rows(Objects.requireNonNull(column.to())).get(RowNames.folded(text));
            return Optional.ofNullable(row).map(number -> new Value.Referred(number, text));
        }
        Optional<Value> named = Objects.requireNonNull(column.reading()).read(text);
        return named.map(value -> value instanceof Value.Several(List<Value> values)
                ? new Value.Several(values.stream().map(this::withContent).toList()) : withContent(value));
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

    private Map<String, Long> rows(TableKey table) {
        return rows.computeIfAbsent(table, key -> names.of(tables, tables.get(key)));
    }

    /** What a column of a file comes to that names rows of a table, or files beside it. */
    Naming naming(FileContent content, Survey survey, Plan.Column column, int most) {
        long[] counts = new long[2];
        Set<String> missing = new LinkedHashSet<>();
        eachText(content, survey, column, most, text -> {
            counts[0]++;
            if (isMissing(column, text)) {
                counts[1]++;
                missing.add(text.strip());
            }
        });
        return new Naming(counts[0], counts[1], List.copyOf(missing));
    }

    private boolean isMissing(Plan.Column column, String text) {
        return find(column, text).map(value -> value.each().stream()
                .anyMatch(each -> each instanceof Value.Attachment file && !file.isThere())).orElse(true);
    }

    /**
     * @param texts   how many were looked at
     * @param misses  how many name nothing that is there
     * @param missing what these are, each once
     */
    public record Naming(long texts, long misses, List<String> missing) {
    }

    /** The texts of a column as they stand; of what does not fit there is none. */
    static void eachText(FileContent content, Survey survey, Plan.Column column, int most,
            Consumer<String> each) {
        Plan alone = new Plan("-", List.of(column.withReading(Reading.TEXT)));
        try (RecordReader reader = RecordReader.open(content, survey, alone, RecordReader.Beside.NOTHING)) {
            for (int i = 0; i < most && reader.hasNext(); i++) {
                if (reader.next() instanceof org.pressboard.intake.Outcome.Fits fits
                        && fits.values().getFirst() instanceof Value.Text(String text) && !text.isBlank()) {
                    each.accept(text);
                }
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
        List<Plan.Column> wanted = new ArrayList<>(plan.taken());
        wanted.removeIf(column -> column.reading() != Reading.REFERENCE || !column.making());
        for (Plan.Column column : wanted) {
            TableKey to = Objects.requireNonNull(column.to());
            List<String> missing = naming(content, survey, column, Integer.MAX_VALUE).missing();
            if (!missing.isEmpty()) {
                names.make(tables.get(to), missing);
                rows.remove(to);
            }
        }
        plan.taken().stream().map(Plan.Column::to).filter(Objects::nonNull).forEach(this::rows);
    }
}
