package org.pressboard.sql;

import java.util.List;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.pressboard.condition.Operator;
import org.pressboard.table.FieldKey;

/** Compiles the core's conditions; its answers are those of the core, absent values included. */
final class ConditionSql {

    private final TableSql table;
    private final OperandSql operands;

    ConditionSql(TableSql table, OperandSql operands) {
        this.table = table;
        this.operands = operands;
    }

    Condition of(org.pressboard.condition.Condition condition) {
        return switch (condition) {
            case org.pressboard.condition.Condition.All all -> all.parts().isEmpty()
                    ? DSL.trueCondition() : DSL.and(parts(all.parts()));
            case org.pressboard.condition.Condition.Any any -> any.parts().isEmpty()
                    ? DSL.falseCondition() : DSL.or(parts(any.parts()));
            case org.pressboard.condition.Condition.Not not -> DSL.not(of(not.part()));
            case org.pressboard.condition.Condition.Empty empty -> table.column(empty.field()).isNull();
            case org.pressboard.condition.Condition.OneOf oneOf -> oneOf(oneOf);
            case org.pressboard.condition.Condition.Compare compare ->
                    compare(compare.field(), compare.operator(), operands.of(compare.operand()));
        };
    }

    private List<Condition> parts(List<org.pressboard.condition.Condition> parts) {
        return parts.stream().map(this::of).toList();
    }

    /** In the collation of the index, without which the index would not serve. */
    private Condition oneOf(org.pressboard.condition.Condition.OneOf oneOf) {
        if (oneOf.values().isEmpty()) {
            return DSL.falseCondition();
        }
        Field<?>[] values = oneOf.values().stream().map(ValueSql::bound).toArray(Field<?>[]::new);
        return DSL.condition("{0} in ({1})", table.collated(oneOf.field()), DSL.list(values));
    }

    private Condition compare(FieldKey key, Operator operator, Field<?> operand) {
        Field<?> column = table.column(key);
        return switch (operator) {
            case EQUALS -> DSL.condition("{0} = {1}", table.collated(key), operand);
            case DIFFERS -> DSL.condition("{0} <> {1}", table.collated(key), operand);
            case LESS -> DSL.condition("{0} < {1}", byCodePoint(key), operand);
            case AT_MOST -> DSL.condition("{0} <= {1}", byCodePoint(key), operand);
            case GREATER -> DSL.condition("{0} > {1}", byCodePoint(key), operand);
            case AT_LEAST -> DSL.condition("{0} >= {1}", byCodePoint(key), operand);
            case CONTAINS -> DSL.condition("{0} ilike {1}", column, pattern("%", operand));
            case BEGINS -> DSL.condition("{0} ilike {1}", column, pattern("", operand));
        };
    }

    @SuppressWarnings("unchecked")
    private Field<?> byCodePoint(FieldKey key) {
        Field<?> column = table.column(key);
        return column.getType() == String.class
                ? ((Field<String>) column).collate(DSL.collation(DSL.name("pg_catalog", "C"))) : column;
    }

    /** A pattern in which the operand stands for itself. What is known now is escaped now, so an index can serve. */
    private static Field<?> pattern(String before, Field<?> operand) {
        if (operand instanceof org.jooq.Param<?> known && known.getValue() instanceof String text) {
            return DSL.val(before + text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_") + "%");
        }
        return DSL.field("{0} || regexp_replace({1}, '([\\\\%_])', '\\\\\\1', 'g') || '%'", String.class,
                DSL.inline(before), operand);
    }
}
