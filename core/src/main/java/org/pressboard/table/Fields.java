package org.pressboard.table;

import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.pressboard.value.FieldKey;

/** The fields of a table in their order, each key once. */
public record Fields(List<Field> all) implements Iterable<Field> {

    public Fields {
        all = List.copyOf(all);
        Map<FieldKey, Field> byKey = new LinkedHashMap<>();
        for (Field field : all) {
            if (byKey.put(field.key(), field) != null) {
                throw new IllegalArgumentException("The field " + field.key() + " stands twice in the table");
            }
        }
    }

    public Optional<Field> find(FieldKey key) {
        return stream().filter(field -> field.key().equals(key)).findFirst();
    }

    /** @throws NoSuchField when the table has no such field */
    public Field get(FieldKey key) {
        return find(key).orElseThrow(() -> new NoSuchField(key, this));
    }

    public boolean has(FieldKey key) {
        return find(key).isPresent();
    }

    /** The keys of the fields whose type meets the test, in their order. */
    public List<FieldKey> keysWhere(Predicate<FieldType> test) {
        return stream().filter(field -> test.test(field.type())).map(Field::key).toList();
    }

    public Stream<Field> stream() {
        return all.stream();
    }

    @Override
    public Iterator<Field> iterator() {
        return all.iterator();
    }
}
