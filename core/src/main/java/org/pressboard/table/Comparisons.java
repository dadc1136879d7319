package org.pressboard.table;

import java.util.Set;
import java.util.TreeSet;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Operator;

/** The ways to compare fields that make sense for their kinds. */
public final class Comparisons {

    private Comparisons() {
    }

    /** The comparisons that make sense for a field, the usual first. */
    public static Set<Comparison> offered(Field field) {
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
        return offered;
    }
}
