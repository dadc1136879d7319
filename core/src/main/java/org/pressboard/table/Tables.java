package org.pressboard.table;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.FieldKey;

/**
 * All tables of the site, as they hang together. Fields that are worked out have their type from what they are worked
 * out of; a circle among them is refused.
 */
public final class Tables {

    public static final Tables NONE = of(List.of());

    private final Map<TableKey, Table> byKey = new LinkedHashMap<>();

    /** Worked out once: what is kept is kept by the tables that it was worked out from. */
    private int hash;

    /** A field of a table that points to another. */
    public record Reference(Table from, Field by) {
    }

    private Tables(Collection<Table> tables) {
        tables.forEach(table -> byKey.put(table.key(), table));
    }

    /** @throws ProblemsFound when fields are worked out of each other in a circle, or of what is not there */
    public static Tables of(Collection<Table> tables) {
        Tables all = new Tables(new Settling(tables).settled());
        all.hash = all.byKey.hashCode();
        return all;
    }

    /** One table without those around it, its fields as they are. */
    public static Tables alone(Table table) {
        Tables one = new Tables(List.of(table));
        one.hash = one.byKey.hashCode();
        return one;
    }

    public List<Table> all() {
        return List.copyOf(byKey.values());
    }

    public Optional<Table> find(TableKey key) {
        return Optional.ofNullable(byKey.get(key));
    }

    public Table get(TableKey key) {
        return find(key).orElseThrow(() -> new IllegalArgumentException("no table " + key));
    }

    /** The table that its owner marked as that of the members. */
    public Optional<TableKey> people() {
        return byKey.values().stream().filter(table -> table.people() != null).map(Table::key).findFirst();
    }

    /**
     * Whether a condition can be asked of the rows of a table as it is: each field that it asks about is there, and of a kind
     * that can be compared so.
     */
    public boolean canAsk(Table table, Condition condition) {
        return new Fitting(this).fits(table, condition);
    }

    /** Whether a field of a table as it is can be set to an operand, or compared with it. */
    public boolean canHold(Table table, Field field, Operand operand) {
        return new Fitting(this).fits(table, field, operand);
    }

    /** The same with this table in place of the one of its key. */
    public Tables with(Table table) {
        Map<TableKey, Table> others = new LinkedHashMap<>(byKey);
        others.put(table.key(), table);
        return of(others.values());
    }

    /** The table to which a reference points. */
    public Table target(Field reference) {
        if (!(reference.type() instanceof Referring referring)) {
            throw new IllegalArgumentException(reference.key() + " points to nothing");
        }
        return get(referring.to());
    }

    /** The fields of all tables that point to this one. */
    public List<Reference> referringTo(TableKey table) {
        List<Reference> found = new ArrayList<>();
        for (Table each : byKey.values()) {
            each.fields().stream().filter(Field::isEntered)
                    .filter(field -> field.type() instanceof Referring referring && referring.to().equals(table))
                    .forEach(field -> found.add(new Reference(each, field)));
        }
        return found;
    }

    /** The tallies of all tables that are worked out of this one's rows. */
    public List<Reference> talliesOf(TableKey table) {
        List<Reference> found = new ArrayList<>();
        for (Table each : byKey.values()) {
            each.fields().stream()
                    .filter(field -> field.computed() instanceof Computed.Tally tally && tally.table().equals(table))
                    .forEach(field -> found.add(new Reference(each, field)));
        }
        return found;
    }

    /** The computed fields, of whichever table, that are worked out of this one at first hand. */
    public List<Reference> usersOf(TableKey table, FieldKey field) {
        List<Reference> found = new ArrayList<>();
        for (Table each : byKey.values()) {
            each.fields().stream().filter(user -> user.computing()
                            .filter(computed -> uses(each, computed, table, field)).isPresent())
                    .forEach(user -> found.add(new Reference(each, user)));
        }
        return found;
    }

    private boolean uses(Table of, Computed computed, TableKey table, FieldKey field) {
        boolean isOwn = of.key().equals(table) && computed.uses().contains(field);
        return isOwn || switch (computed) {
            case Computed.Borrowed borrowed -> borrows(of, borrowed, table, field);
            case Computed.Tally tally -> tally.table().equals(table) && tally.counted().contains(field);
            case Computed.Composed composed -> false;
            case Computed.Noted noted -> false;
        };
    }

    private boolean borrows(Table of, Computed.Borrowed borrowed, TableKey table, FieldKey field) {
        return stepsOf(of, borrowed).anyMatch(step -> step.from.key().equals(table) && step.by.key().equals(field));
    }

    /** The references on the way to a borrowed field, and that field itself, each with its table; of others nothing. */
    public Stream<Reference> stepsOf(Table table, Field field) {
        return field.computed() instanceof Computed.Borrowed borrowed ? stepsOf(table, borrowed) : Stream.of();
    }

    private Stream<Reference> stepsOf(Table of, Computed.Borrowed borrowed) {
        List<Reference> steps = new ArrayList<>();
        Table at = of;
        for (FieldKey through : borrowed.through()) {
            steps.add(new Reference(at, at.field(through)));
            at = target(at.field(through));
        }
        steps.add(new Reference(at, at.field(borrowed.field())));
        return steps.stream();
    }

    /**
     * The table with fields of other tables beside its own, each as one that is borrowed (see {@link FieldKey#through});
     * without those that are not there.
     */
    public Table reaching(Table table, Collection<FieldKey> fields) {
        List<Field> more = new ArrayList<>(table.fields().all());
        fields.stream().filter(key -> key.isThrough() && !table.fields().has(key)).forEach(key ->
                reached(table, key).ifPresent(more::add));
        return more.size() == table.fields().all().size() ? table : table.with(new Fields(more));
    }

    /** The fields that are reached from a table through one reference, or through two, in the order of its own. */
    public List<FieldKey> within(Table table) {
        List<FieldKey> within = new ArrayList<>();
        for (Field reference : references(table)) {
            Table target = target(reference);
            target.fields().forEach(field -> within.add(reference.key().through(field.key())));
            for (Field next : references(target)) {
                target(next).fields().forEach(field ->
                        within.add(reference.key().through(next.key()).through(field.key())));
            }
        }
        return within;
    }

    private List<Field> references(Table table) {
        return table.fields().stream().filter(field -> field.type() instanceof Referring referring
                && !referring.isSeveral() && find(referring.to()).isPresent()).toList();
    }

    private Optional<Field> reached(Table table, FieldKey key) {
        List<FieldKey> way = key.way();
        Table at = table;
        List<String> labels = new ArrayList<>();
        for (FieldKey step : way.subList(0, way.size() - 1)) {
            Field reference = at.fields().find(step).orElse(null);
            if (reference == null || !(reference.type() instanceof Referring referring) || referring.isSeveral()
                    || find(referring.to()).isEmpty()) {
                return Optional.empty();
            }
            labels.add(reference.label());
            at = get(referring.to());
        }
        return at.fields().find(way.getLast()).map(field -> {
            labels.add(field.label());
            return Field.computed(key, String.join(": ", labels),
                    new Computed.Borrowed(way.subList(0, way.size() - 1), way.getLast())).of(field.type());
        });
    }

    /** The field that a borrowed one is taken from, and its table. */
    public Reference source(Table table, Computed.Borrowed borrowed) {
        Table at = table;
        for (FieldKey through : borrowed.through()) {
            at = target(at.field(through));
        }
        return new Reference(at, at.field(borrowed.field()));
    }

    /** The columns and notes of this and other tables that a field comes of, the table's own or what its references lead to. */
    public List<Reference> columnsOf(Table table, Field field) {
        return switch (field.computed()) {
            case null -> field.type() instanceof Referring ? headingOf(target(field))
                    : List.of(new Reference(table, field));
            case Computed.Tally tally -> field.isColumn() ? List.of(new Reference(table, field)) : List.of();
            case Computed.Borrowed borrowed -> {
                Reference source = source(table, borrowed);
                yield columnsOf(source.from, source.by);
            }
            case Computed.Noted noted -> List.of(new Reference(table, field));
            case Computed.Composed composed -> composed.uses().stream()
                    .flatMap(used -> columnsOf(table, table.field(used)).stream()).toList();
        };
    }

    private List<Reference> headingOf(Table table) {
        return table.headingField().map(heading -> columnsOf(table, heading)).orElse(List.of());
    }

    /** The tables on whose rows depends what stands in these fields: the table itself, and those they lead to. */
    public Set<TableKey> reachedFrom(Table table, Collection<FieldKey> fields) {
        Set<TableKey> reached = new TreeSet<>(Comparator.comparing(TableKey::name));
        reached.add(table.key());
        fields.forEach(key -> reach(table, table.field(key), reached));
        return reached;
    }

    private void reach(Table table, Field field, Set<TableKey> reached) {
        reached.add(table.key());
        switch (field.computed()) {
            case null -> reachHeading(field, reached);
            case Computed.Tally tally -> {
                if (tally.ofSeen()) {
                    reached.add(tally.table());
                }
            }
            case Computed.Borrowed borrowed -> {
                Table at = table;
                for (FieldKey through : borrowed.through()) {
                    at = target(at.field(through));
                    reached.add(at.key());
                }
                reach(at, at.field(borrowed.field()), reached);
            }
            case Computed.Noted noted -> { }
            case Computed.Composed composed ->
                    composed.uses().forEach(used -> reach(table, table.field(used), reached));
        }
    }

    private void reachHeading(Field field, Set<TableKey> reached) {
        if (field.type() instanceof Referring) {
            Table target = target(field);
            reached.add(target.key());
            target.headingField().ifPresent(heading -> reach(target, heading, reached));
        }
    }

    @Override
    public boolean equals(Object other) {
        return this == other || (other instanceof Tables tables && hash == tables.hash && byKey.equals(tables.byKey));
    }

    @Override
    public int hashCode() {
        return hash;
    }

    @Override
    public String toString() {
        return byKey.keySet().toString();
    }
}
