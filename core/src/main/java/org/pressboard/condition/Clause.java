package org.pressboard.condition;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * One statement about a field as people make it: what it stands for among conditions, and back.
 *
 * <pre>{@code
 * Condition own = new Clause(keeper, Comparison.IS, List.of(Operand.OfVisitor.EMAIL)).condition();
 * Condition recent = Clause.fixed(planted, Comparison.LAST_DAYS, Value.of(30L)).condition();
 * }</pre>
 *
 * @param operands with what the field is compared: the values of {@link Comparison#ONE_OF}, the ends of
 *                 {@link Comparison#BETWEEN}, the days of {@link Comparison#LAST_DAYS}; fixed ones where the comparison takes
 *                 no others (see {@link Comparison#isOfOperands})
 */
public record Clause(FieldKey field, Comparison is, List<Operand> operands) {

    public Clause {
        operands = List.copyOf(operands);
    }

    /** Compared with values that never change. */
    public static Clause fixed(FieldKey field, Comparison is, Value... values) {
        return new Clause(field, is, Stream.of(values).<Operand>map(Operand.Fixed::new).toList());
    }

    /** The values that never change among what it is compared with. */
    public List<Value> values() {
        return operands.stream().flatMap(operand -> operand instanceof Operand.Fixed(Value value) ? Stream.of(value) : Stream.of())
                .toList();
    }

    public Condition condition() {
        return switch (is) {
            case IS -> compare(Operator.EQUALS);
            case IS_NOT -> compare(Operator.DIFFERS);
            case CONTAINS -> compare(Operator.CONTAINS);
            case CONTAINS_NOT -> compare(Operator.CONTAINS).not();
            case BEGINS -> compare(Operator.BEGINS);
            case ONE_OF -> Condition.oneOf(field, values());
            case NONE_OF -> Condition.oneOf(field, values()).not();
            case MORE -> compare(Operator.GREATER);
            case AT_LEAST -> compare(Operator.AT_LEAST);
            case LESS -> compare(Operator.LESS);
            case AT_MOST -> compare(Operator.AT_MOST);
            case BETWEEN -> new Condition.Between(field, operands.get(0), operands.get(1));
            case TODAY -> span(new Operand.Today(0), new Operand.Today(1));
            case THIS_WEEK -> of(Operand.Span.WEEK);
            case THIS_MONTH -> of(Operand.Span.MONTH);
            case THIS_YEAR -> of(Operand.Span.YEAR);
            case PAST -> new Condition.Compare(field, Operator.LESS, new Operand.Today(0));
            case UPCOMING -> new Condition.Compare(field, Operator.AT_LEAST, new Operand.Today(0));
            case LAST_DAYS -> span(new Operand.Today(-days()), new Operand.Today(1));
            case NEXT_DAYS -> span(new Operand.Today(0), new Operand.Today(days() + 1));
            case EMPTY -> Condition.isEmpty(field);
            case FILLED -> Condition.isEmpty(field).not();
        };
    }

    private Condition compare(Operator operator) {
        return new Condition.Compare(field, operator, operands.getFirst());
    }

    private Condition of(Operand.Span span) {
        return span(new Operand.Beginning(span, 0), new Operand.Beginning(span, 1));
    }

    /** From the beginning of one to before the beginning of the other, also where the field has times of day. */
    private Condition span(Operand from, Operand before) {
        return new Condition.All(List.of(new Condition.Compare(field, Operator.AT_LEAST, from),
                new Condition.Compare(field, Operator.LESS, before)));
    }

    private int days() {
        return (int) ((Value.Whole) values().getFirst()).number();
    }

    /** The statement that a condition is; empty where none stands for it. The one that takes the least is preferred. */
    public static Optional<Clause> of(Condition condition) {
        FieldKey field = condition.fields().stream().findFirst().orElse(null);
        if (field == null || condition.fields().size() != 1) {
            return Optional.empty();
        }
        List<Operand> operands = operands(condition).toList();
        return Stream.of(List.<Operand>of(), counted(operands), operands).flatMap(some -> candidates(field, some))
                .filter(clause -> clause.condition().equals(condition)).findFirst();
    }

    /** What it may be by what its leaves are compared with; which of them it is tells whether they come to the same. */
    private static Stream<Clause> candidates(FieldKey field, List<Operand> operands) {
        return Stream.of(Comparison.values()).filter(is -> is.isOfSeveral() ? isFixed(operands) : operands.size() == is.operands())
                .filter(is -> !is.isOfCount() || (operands.getFirst() instanceof Operand.Fixed(Value.Whole days)))
                .map(is -> new Clause(field, is, operands));
    }

    private static boolean isFixed(List<Operand> operands) {
        return !operands.isEmpty() && operands.stream().allMatch(Operand.Fixed.class::isInstance);
    }

    /** How many days a span of days has, where it is one that begins or ends today. */
    private static List<Operand> counted(List<Operand> ends) {
        return ends.size() == 2 && ends.get(0) instanceof Operand.Today(int from) && ends.get(1) instanceof Operand.Today(int before)
                ? List.of(new Operand.Fixed(Value.of(from < 0 ? (long) -from : before - 1L))) : List.of();
    }

    private static Stream<Operand> operands(Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> parts) -> parts.stream().flatMap(Clause::operands);
            case Condition.Any(List<Condition> parts) -> parts.stream().flatMap(Clause::operands);
            case Condition.Not(Condition part) -> operands(part);
            case Condition.Compare compare -> Stream.of(compare.operand());
            case Condition.OneOf oneOf -> oneOf.values().stream().map(Operand.Fixed::new);
            case Condition.Between between -> Stream.of(between.least(), between.greatest());
            case Condition.Empty empty -> Stream.of();
            case Condition.Mentions mentions -> Stream.of();
            case Condition.Owned owned -> Stream.of();
            case Condition.Sent sent -> Stream.of();
        };
    }
}
