package org.pressboard.condition;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/**
 * Says of each row of a table whether it is meant. Immutable; the nodes know nothing of SQL. Two-valued: a comparison with
 * nothing, or of a field without a value, does not hold, but for {@link Operator#DIFFERS}; {@link Not} is always the
 * opposite.
 *
 * <pre>{@code
 * Condition ripe = Condition.compare(season, EQUALS, Value.of("late")).and(Condition.isEmpty(gone));
 * boolean meant = ripe.holds(row, standpoint);
 * }</pre>
 */
public sealed interface Condition {

    /** Meant are all rows. */
    Condition ALWAYS = new All(List.of());

    /** Meant is no row. */
    Condition NEVER = new Any(List.of());

    /** Every part must hold; of no parts, it always holds. */
    record All(List<Condition> parts) implements Condition {
        public All {
            parts = List.copyOf(parts);
        }
    }

    /** At least one part must hold; of no parts, it never holds. */
    record Any(List<Condition> parts) implements Condition {
        public Any {
            parts = List.copyOf(parts);
        }
    }

    record Not(Condition part) implements Condition {
    }

    /** The field compared with an operand. Where either is absent it does not hold, but for {@link Operator#DIFFERS}. */
    record Compare(FieldKey field, Operator operator, Operand operand) implements Condition {
    }

    /** The field has one of the values; of no values, or without one in the field, it does not hold. */
    record OneOf(FieldKey field, List<Value> values) implements Condition {
        public OneOf {
            values = List.copyOf(values);
        }
    }

    /** The field is at least the one and at most the other. */
    record Between(FieldKey field, Operand least, Operand greatest) implements Condition {

        /** The same as two comparisons. */
        public List<Condition> ends() {
            return List.of(new Compare(field, Operator.AT_LEAST, least), new Compare(field, Operator.AT_MOST, greatest));
        }
    }

    /** The field has no value. */
    record Empty(FieldKey field) implements Condition {
    }

    /**
     * One of the fields has the text somewhere in it, blind to case and accents (see
     * {@link org.pressboard.value.Folding}). Of no fields, or none with a value, it does not hold.
     */
    record Mentions(List<FieldKey> among, String text) implements Condition {
        public Mentions {
            among = List.copyOf(among);
            if (text.isEmpty()) {
                throw new IllegalArgumentException("Nothing to look for");
            }
        }
    }

    /**
     * The row is the visitor's own: its field leads to their row among the members, or has their e-mail address, whatever
     * they may see of what lies on the way to it.
     */
    record Owned(FieldKey by) implements Condition {
    }

    /** The row was sent from the browser of whoever looks, who is not signed in. */
    record Sent() implements Condition {
    }

    static Condition compare(FieldKey field, Operator operator, Value value) {
        return new Compare(field, operator, new Operand.Fixed(value));
    }

    static Condition oneOf(FieldKey field, List<Value> values) {
        return new OneOf(field, values);
    }

    static Condition isEmpty(FieldKey field) {
        return new Empty(field);
    }

    static Condition all(List<Condition> parts) {
        return parts.stream().reduce(ALWAYS, Condition::and);
    }

    static Condition any(List<Condition> parts) {
        return parts.size() == 1 ? parts.getFirst() : new Any(parts);
    }

    /** This and the other; {@link #ALWAYS} adds nothing. */
    default Condition and(Condition other) {
        if (equals(ALWAYS)) {
            return other;
        }
        if (other.equals(ALWAYS)) {
            return this;
        }
        List<Condition> parts = new ArrayList<>(partsOfAll(this));
        parts.addAll(partsOfAll(other));
        return new All(parts);
    }

    default Condition not() {
        return new Not(this);
    }

    /** Whether the row is meant. */
    default boolean holds(Row row, Standpoint standpoint) {
        return Evaluation.of(this, row, standpoint);
    }

    /** Of what of the standpoint the answer depends; of nothing: it is the same for everybody, always and everywhere. */
    default Set<Operand.Origin> origins() {
        Set<Operand.Origin> origins = EnumSet.noneOf(Operand.Origin.class);
        addOrigins(origins);
        return origins;
    }

    private void addOrigins(Set<Operand.Origin> origins) {
        switch (this) {
            case All all -> all.parts.forEach(part -> part.addOrigins(origins));
            case Any any -> any.parts.forEach(part -> part.addOrigins(origins));
            case Not not -> not.part.addOrigins(origins);
            case Compare compare -> compare.operand.origin().ifPresent(origins::add);
            case Between between -> between.ends().forEach(end -> end.addOrigins(origins));
            case Owned owned -> origins.add(Operand.Origin.VISITOR);
            case Sent sent -> origins.add(Operand.Origin.VISITOR);
            case OneOf oneOf -> { }
            case Empty empty -> { }
            case Mentions mentions -> { }
        }
    }

    /** Whether the answer may differ with the standpoint, such as with the day or with whoever looks. */
    default boolean dependsOnStandpoint() {
        return !origins().isEmpty();
    }

    /** Whether the answer may differ with the browser of whoever looks. */
    default boolean dependsOnBrowser() {
        return has(Sent.class::isInstance);
    }

    /** Whether it looks for words or letters within texts. */
    default boolean comparesText() {
        return has(leaf -> leaf instanceof Mentions || (leaf instanceof Compare compare && compare.operator.isForText()));
    }

    /** The fields that it asks about. */
    default Set<FieldKey> fields() {
        return switch (this) {
            case All all -> fieldsOf(all.parts);
            case Any any -> fieldsOf(any.parts);
            case Not not -> not.part.fields();
            case Compare compare -> Set.of(compare.field);
            case OneOf oneOf -> Set.of(oneOf.field);
            case Between between -> Set.of(between.field);
            case Empty empty -> Set.of(empty.field);
            case Mentions mentions -> Set.copyOf(mentions.among);
            case Owned owned -> Set.of(owned.by);
            case Sent sent -> Set.of();
        };
    }

    private static Set<FieldKey> fieldsOf(List<Condition> parts) {
        return parts.stream().flatMap(part -> part.fields().stream()).collect(Collectors.toSet());
    }

    /** Whether anything that it is put together from, and that is itself not put together, is wanted. */
    private boolean has(Predicate<Condition> wanted) {
        return switch (this) {
            case All all -> all.parts.stream().anyMatch(part -> part.has(wanted));
            case Any any -> any.parts.stream().anyMatch(part -> part.has(wanted));
            case Not not -> not.part.has(wanted);
            case Compare compare -> wanted.test(compare);
            case OneOf oneOf -> wanted.test(oneOf);
            case Between between -> wanted.test(between);
            case Empty empty -> wanted.test(empty);
            case Mentions mentions -> wanted.test(mentions);
            case Owned owned -> wanted.test(owned);
            case Sent sent -> wanted.test(sent);
        };
    }

    private static List<Condition> partsOfAll(Condition condition) {
        return condition instanceof All(List<Condition> parts) ? parts : List.of(condition);
    }
}
