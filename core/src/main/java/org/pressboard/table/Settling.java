package org.pressboard.table;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.FieldKey;

/** Works out of what kind computed fields are, each after those that it is computed from. */
final class Settling {

    private final Map<TableKey, Table> byKey = new LinkedHashMap<>();

    Settling(Collection<Table> tables) {
        tables.forEach(table -> byKey.put(table.key(), table));
    }

    private record Place(TableKey table, FieldKey field) {
    }

    /** @throws ProblemsFound when fields are worked out of each other in a circle, or of what is not there */
    Collection<Table> settled() {
        for (Table table : List.copyOf(byKey.values())) {
            for (Field field : table.fields()) {
                if (!field.isEntered()) {
                    settle(table.key(), field.key(), new ArrayDeque<>());
                }
            }
        }
        return byKey.values();
    }

    /** Gives the field its type, and before it all those that it is worked out of. */
    private FieldType settle(TableKey in, FieldKey key, Deque<Place> under) {
        Table table = get(in);
        Field field = table.fields().find(key)
                .orElseThrow(() -> ProblemsFound.of("computed.no-field", key.name(), table.label()));
        if (field.computed() == null) {
            return field.type();
        }
        Place place = new Place(in, key);
        if (under.contains(place)) {
            throw new ProblemsFound(org.pressboard.problem.Problems.of(circle(under, place)));
        }
        under.addLast(place);
        FieldType type = typeOf(table, field.computed(), under);
        under.removeLast();
        if (!type.equals(field.type())) {
            byKey.put(in, get(in).changing(key, it -> it.of(type)));
        }
        return type;
    }

    private Problem circle(Deque<Place> under, Place place) {
        List<String> names = new ArrayList<>();
        boolean isIn = false;
        for (Place each : under) {
            isIn |= each.equals(place);
            if (isIn) {
                names.add(get(each.table).field(each.field).label());
            }
        }
        names.add(get(place.table).field(place.field).label());
        return Problem.of("computed.circle", String.join(" → ", names));
    }

    private FieldType typeOf(Table table, Computed computed, Deque<Place> under) {
        computed.uses().forEach(used -> settle(table.key(), used, under));
        return switch (computed) {
            case Computed.Borrowed borrowed -> borrowed(table, borrowed, under);
            case Computed.Tally tally -> tally(tally, under);
            case Computed.Composed composed -> new Textual.Text();
            case Computed.Noted noted -> noted.type();
        };
    }

    private FieldType borrowed(Table table, Computed.Borrowed borrowed, Deque<Place> under) {
        TableKey at = table.key();
        for (FieldKey through : borrowed.through()) {
            if (!(settle(at, through, under) instanceof Referring referring) || referring.isSeveral()) {
                throw ProblemsFound.of("computed.no-reference", through.name());
            }
            at = referring.to();
        }
        return settle(at, borrowed.field(), under);
    }

    private FieldType tally(Computed.Tally tally, Deque<Place> under) {
        if (settle(tally.table(), tally.by(), under).isSeveral()) {
            throw ProblemsFound.of("computed.no-reference", tally.by().name());
        }
        tally.counted().stream().flatMap(key -> get(tally.table()).fields().find(key).stream()).filter(field -> !field.isColumn())
                .findFirst().ifPresent(virtual -> {
                    throw ProblemsFound.of("computed.tally-of-virtual", virtual.label());
                });
        if (tally.field() == null) {
            return new Numeric.WholeNumber(true);
        }
        FieldType of = settle(tally.table(), tally.field(), under);
        return switch (tally.measure()) {
            case COUNT -> new Numeric.WholeNumber(true);
            case AVERAGE -> of instanceof Numeric number ? Numeric.average(number) : new Numeric.Decimal(1);
            case SUM, LEAST, GREATEST, FIRST, LAST -> of;
        };
    }

    private Table get(TableKey key) {
        return Optional.ofNullable(byKey.get(key)).orElseThrow(() -> ProblemsFound.of("computed.no-table", key.name()));
    }
}
