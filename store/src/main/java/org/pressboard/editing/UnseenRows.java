package org.pressboard.editing;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/**
 * Changes by somebody who does not see all rows that a row refers to. What they do not see they cannot have taken away: it
 * stays where there is room for several. Nor are they told of it when somebody else has changed the same.
 *
 * @param stored the row as it is; empty where none of the fields leads to rows
 */
record UnseenRows(Seeing seeing, Table table, Optional<Row> stored) {

    /** Which of these rows, to which a field leads, they see. */
    interface Seeing {

        Set<Long> seen(Field field, Collection<Long> rows);
    }

    /** A change of what the fields had to what they are to have. */
    interface Change {

        RowEditing.Outcome of(Map<FieldKey, Optional<Value>> was, Map<FieldKey, Optional<Value>> give);
    }

    RowEditing.Outcome change(Map<FieldKey, Optional<Value>> was, Map<FieldKey, Optional<Value>> give, Change change) {
        Map<FieldKey, Parted> parted = new LinkedHashMap<>();
        stored.ifPresent(row -> give.keySet().forEach(key -> part(table.field(key), row).ifPresent(of -> parted.put(key, of))));
        if (parted.isEmpty()) {
            return change.of(was, give);
        }
        Map<FieldKey, Optional<Value>> before = new HashMap<>(was);
        Map<FieldKey, Optional<Value>> after = new HashMap<>(give);
        parted.forEach((key, of) -> {
            if (rows(was.getOrDefault(key, Optional.empty())).equals(rows(of.seen))) {
                before.put(key, Optional.of(of.all));
                boolean isSame = rows(give.get(key)).equals(rows(of.seen));
                after.put(key, isSame ? Optional.of(of.all) : of.with(give.get(key), table.field(key)));
            }
        });
        RowEditing.Outcome outcome = change.of(before, after);
        return outcome instanceof RowEditing.Outcome.Meanwhile(var theirs)
                ? new RowEditing.Outcome.Meanwhile(seen(theirs, parted)) : outcome;
    }

    /** What of a value is seen, and what is not. */
    private record Parted(Value all, Optional<Value> seen, List<Value> unseen) {

        /** With what is not seen still there, unless there is room for one alone. */
        Optional<Value> with(Optional<Value> given, Field field) {
            return !field.type().isSeveral() ? given : Value.Several.ofAll(Stream.concat(given.stream()
                    .flatMap(value -> value.each().stream()), unseen.stream()).map(Optional::of));
        }
    }

    private Optional<Parted> part(Field field, Row row) {
        Optional<Value> all = row.find(field.key());
        if (all.isEmpty() || !(field.type() instanceof Referring)) {
            return Optional.empty();
        }
        Set<Long> seen = seeing.seen(field, rows(all));
        List<Value> unseen = all.get().each().stream().filter(each -> !seen.contains(((Value.Referred) each).row())).toList();
        List<Value> others = all.get().each().stream().filter(each -> !unseen.contains(each)).toList();
        Optional<Value> left = field.type().isSeveral() ? Value.Several.ofAll(others.stream().map(Optional::of))
                : others.stream().findFirst();
        return unseen.isEmpty() ? Optional.empty() : Optional.of(new Parted(all.get(), left, unseen));
    }

    private static List<Long> rows(Optional<Value> value) {
        return value.stream().flatMap(is -> is.each().stream()).map(each -> ((Value.Referred) each).row()).toList();
    }

    private static Map<FieldKey, Optional<Value>> seen(Map<FieldKey, Optional<Value>> theirs, Map<FieldKey, Parted> parted) {
        Map<FieldKey, Optional<Value>> seen = new LinkedHashMap<>(theirs);
        seen.replaceAll((key, value) -> parted.containsKey(key) ? parted.get(key).seen : value);
        return seen;
    }
}
