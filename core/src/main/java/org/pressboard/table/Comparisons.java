package org.pressboard.table;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Operator;

/** The ways to compare fields that make sense for their kinds. */
public final class Comparisons {

    private Comparisons() {
    }

    /** The comparisons that make sense for a field of one of the tables, the usual first. */
    public static Set<Comparison> offered(Field field, Tables tables) {
        Set<Comparison> offered = offered(field);
        if (isReferringTo(field.type(), tables.people())) {
            offered.add(Comparison.ME);
        }
        if (!ofVisitor(field, tables).isEmpty()) {
            offered.add(Comparison.VISITORS);
        }
        return offered;
    }

    /** The fields of the members with which it makes sense to compare a field: those that have one value of its kind. */
    public static List<Field> ofVisitor(Field field, Tables tables) {
        return tables.people().map(tables::get).stream().flatMap(people -> people.columns().stream())
                .filter(of -> !of.type().isSeveral() && of.type().held() == field.type().held()
                        && !(of.type() instanceof Attached)
                        && (!(field.type() instanceof Referring referring) || isReferringTo(of.type(), Optional.of(referring.to()))))
                .toList();
    }

    private static boolean isReferringTo(FieldType type, Optional<TableKey> table) {
        return type instanceof Referring referring && table.filter(referring.to()::equals).isPresent();
    }

    private static Set<Comparison> offered(Field field) {
        FieldType type = field.type();
        Set<Comparison> offered = new TreeSet<>(Set.of(Comparison.EMPTY, Comparison.FILLED));
        for (Operator operator : type.comparisons()) {
            switch (operator) {
                case EQUALS -> offered.add(Comparison.IS);
                case DIFFERS -> offered.add(Comparison.IS_NOT);
                case CONTAINS -> offered.addAll(Set.of(Comparison.CONTAINS, Comparison.CONTAINS_NOT));
                case BEGINS -> offered.add(Comparison.BEGINS);
                case LESS -> offered.addAll(type.hasRange() ? Set.of(Comparison.LESS, Comparison.BETWEEN) : Set.of());
                case AT_MOST -> offered.addAll(type.hasRange() ? Set.of(Comparison.AT_MOST) : Set.of());
                case GREATER -> offered.addAll(type.hasRange() ? Set.of(Comparison.MORE) : Set.of());
                case AT_LEAST -> offered.addAll(type.hasRange() ? Set.of(Comparison.AT_LEAST) : Set.of());
            }
        }
        if (type.hasFewValues() || type instanceof Referring) {
            offered.addAll(Set.of(Comparison.ONE_OF, Comparison.NONE_OF));
        }
        if (type instanceof Temporal.Date || type instanceof Temporal.DateTime) {
            offered.addAll(Comparison.OF_DAYS);
        }
        if (type instanceof Textual.Text || type instanceof Chosen) {
            offered.addAll(Set.of(Comparison.PAGE_TITLE, Comparison.PAGE_ADDRESS));
        }
        if (type instanceof Textual.Email) {
            offered.add(Comparison.VISITOR);
        }
        return offered;
    }
}
