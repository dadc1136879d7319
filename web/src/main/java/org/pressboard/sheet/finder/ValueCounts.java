package org.pressboard.sheet.finder;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.Distribution;
import org.pressboard.rows.FieldCounts;
import org.pressboard.stand.Asking;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.value.Value;

/**
 * How many rows there are of what one can narrow to, as the other narrowings leave them; each if it is known or asked for.
 */
public final class ValueCounts {

    private final Asking asking;
    private final FieldCounts counts;
    private final Set<String> wanted;

    /** @param wanted the keys of the fields that are counted where it is not known */
    public ValueCounts(Asking asking, FieldCounts counts, Set<String> wanted) {
        this.asking = asking;
        this.counts = counts;
        this.wanted = wanted;
    }

    Optional<Map<String, Long>> byValue(Field field, List<Value> values) {
        // of another table's rows there are too many to count them all
        List<Value> among = field.type() instanceof Referring ? values : List.of();
        if (field.type() instanceof Referring && values.isEmpty()) {
            return Optional.of(Map.of());
        }
        RowQuery query = query(field);
        return told(field, () -> counts.byValue(query, field.key(), among, asking.language()),
                () -> counts.knownByValue(query, field.key(), among));
    }

    Optional<Map<String, Long>> byLetter(Field field) {
        RowQuery query = query(field);
        return told(field, () -> counts.byLetter(query, field.key(), asking.language()),
                () -> counts.knownByLetter(query, field.key()));
    }

    Optional<Distribution> distribution(Field field) {
        RowQuery query = query(field);
        return told(field, () -> counts.distribution(query, field.key(), asking.language()),
                () -> counts.knownDistribution(query, field.key()));
    }

    private <T> Optional<T> told(Field field, Supplier<T> count, Supplier<Optional<T>> known) {
        return wanted.contains(field.key().name()) ? Optional.of(count.get()) : known.get();
    }

    private RowQuery query(Field field) {
        return asking.rowQuery(asking.state().without(field.key()));
    }
}
