package org.pressboard.table;

import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.pressboard.value.FieldKey;

/** The fields of a table in their order, each key once. */
public final class Fields implements Iterable<Field> {

    private final List<Field> all;
    private final Map<FieldKey, Field> byKey = new HashMap<>();
    private final int hash;

    public Fields(List<Field> all) {
        this.all = List.copyOf(all);
        this.hash = this.all.hashCode();
        for (Field field : all) {
            if (byKey.put(field.key(), field) != null) {
                throw new IllegalArgumentException("The field " + field.key() + " stands twice in the table");
            }
        }
    }

    public List<Field> all() {
        return all;
    }

    public Optional<Field> find(FieldKey key) {
        return Optional.ofNullable(byKey.get(key));
    }

    /** @throws NoSuchField when the table has no such field */
    public Field get(FieldKey key) {
        return find(key).orElseThrow(() -> new NoSuchField(key, this));
    }

    public boolean has(FieldKey key) {
        return find(key).isPresent();
    }

    /** A key that none of them has, made of what a new field is called. */
    public FieldKey free(String label) {
        return FieldKey.from(label, all.stream().map(field -> field.key().name()).collect(Collectors.toSet()));
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

    @Override
    public boolean equals(Object other) {
        return other instanceof Fields fields && all.equals(fields.all);
    }

    @Override
    public int hashCode() {
        return hash;
    }

    @Override
    public String toString() {
        return all.toString();
    }
}
