package org.pressboard.condition;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

/**
 * One statement about a field as people make it: what it stands for among conditions, and back.
 *
 * <pre>{@code
 * Condition recent = new Clause(planted, Comparison.LAST_DAYS, List.of(Value.of(30L))).condition();
 * }</pre>
 *
 * @param values with what the field is compared: the values of {@link Comparison#ONE_OF}, the ends of
 *               {@link Comparison#BETWEEN}, the days of {@link Comparison#LAST_DAYS}
 */
public record Clause(FieldKey field, Comparison is, List<Value> values) {

    public Clause {
        values = List.copyOf(values);
    }

    public Condition condition() {
        return switch (is) {
            case IS -> compare(Operator.EQUALS);
            case IS_NOT -> compare(Operator.DIFFERS);
            case CONTAINS -> compare(Operator.CONTAINS);
            case CONTAINS_NOT -> compare(Operator.CONTAINS).not();
            case BEGINS -> compare(Operator.BEGINS);
            case ONE_OF -> Condition.oneOf(field, values);
            case NONE_OF -> Condition.oneOf(field, values).not();
            case MORE -> compare(Operator.GREATER);
            case AT_LEAST -> compare(Operator.AT_LEAST);
            case LESS -> compare(Operator.LESS);
            case AT_MOST -> compare(Operator.AT_MOST);
            case BETWEEN -> new Condition.Between(field, new Operand.Fixed(values.get(0)), new Operand.Fixed(values.get(1)));
            case VISITOR -> ofVisitor(Operand.OfVisitor.EMAIL);
            case ME -> ofVisitor(Operand.OfVisitor.ROW);
            case VISITORS -> ofVisitor(Operand.OfVisitor.of(new FieldKey(((Value.Text) values.getFirst()).text())));
            case PAGE_TITLE -> ofPage(Operand.PagePart.TITLE);
            case PAGE_ADDRESS -> ofPage(Operand.PagePart.ADDRESS);
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
        return Condition.compare(field, operator, values.getFirst());
    }

    private Condition ofVisitor(Operand.OfVisitor operand) {
        return new Condition.Compare(field, Operator.EQUALS, operand);
    }

    private Condition ofPage(Operand.PagePart part) {
        return new Condition.Compare(field, Operator.EQUALS, new Operand.OfPage(part));
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
        return (int) ((Value.Whole) values.getFirst()).number();
    }

    /** The statement that a condition is; empty where none stands for it. */
    public static Optional<Clause> of(Condition condition) {
        return candidates(condition).stream().filter(clause -> clause.condition().equals(condition)).findFirst();
    }

    /** What it may be by its first leaf; which of them it is tells whether they come to the same. */
    private static List<Clause> candidates(Condition condition) {
        FieldKey field = condition.fields().stream().findFirst().orElse(null);
        if (field == null || condition.fields().size() != 1) {
            return List.of();
        }
        List<Value> values = values(condition);
        List<Clause> candidates = new ArrayList<>();
        for (Comparison is : Comparison.values()) {
            boolean isFit = is.operands() == 0 || (is.isOfSeveral() ? !values.isEmpty() : values.size() == is.operands());
            if (isFit && (is != Comparison.VISITORS || isVisitors(condition))
                    && (!is.isOfCount() || values.getFirst() instanceof Value.Whole)) {
                candidates.add(new Clause(field, is, is.operands() == 0 ? List.of() : values));
            }
        }
        return candidates;
    }

    private static boolean isVisitors(Condition condition) {
        return condition instanceof Condition.Compare(FieldKey field, Operator operator,
                Operand.OfVisitor(Operand.VisitorPart part, FieldKey of)) && of != null;
    }

    private static List<Value> values(Condition condition) {
        return switch (condition) {
            case Condition.All(List<Condition> parts) -> parts.stream().flatMap(part -> values(part).stream()).toList();
            case Condition.Any(List<Condition> parts) -> parts.stream().flatMap(part -> values(part).stream()).toList();
            case Condition.Not(Condition part) -> values(part);
            case Condition.Compare(FieldKey field, Operator operator, Operand.Fixed(Value value)) -> List.of(value);
            case Condition.Compare(FieldKey field, Operator operator,
                    Operand.OfVisitor(Operand.VisitorPart part, FieldKey of)) when of != null -> List.of(Value.of(of.name()));
            case Condition.Compare(FieldKey field, Operator operator, Operand.Today(int on)) -> on < 0
                    ? List.of(Value.of((long) -on)) : on > 1 ? List.of(Value.of(on - 1L)) : List.of();
            case Condition.OneOf(FieldKey field, List<Value> some) -> some;
            case Condition.Between(FieldKey field, Operand.Fixed(Value least), Operand.Fixed(Value greatest)) ->
                    List.of(least, greatest);
            default -> List.of();
        };
    }
}
