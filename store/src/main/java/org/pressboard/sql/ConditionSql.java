package org.pressboard.sql;

import java.util.List;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.pressboard.condition.Operator;
import org.pressboard.value.FieldKey;

/** Compiles the core's conditions; its answers are those of the core, absent values included. */
final class ConditionSql {

    private final FieldSql fields;
    private final Joins.Place place;
    private final OperandSql operands;

    ConditionSql(FieldSql fields, Joins.Place place, OperandSql operands) {
        this.fields = fields;
        this.place = place;
        this.operands = operands;
    }

    Condition of(org.pressboard.condition.Condition condition) {
        return switch (condition) {
            case org.pressboard.condition.Condition.All all -> all.parts().isEmpty()
                    ? DSL.trueCondition() : DSL.and(parts(all.parts()));
            case org.pressboard.condition.Condition.Any any -> any.parts().isEmpty()
                    ? DSL.falseCondition() : DSL.or(parts(any.parts()));
            case org.pressboard.condition.Condition.Not not -> DSL.not(of(not.part()));
            case org.pressboard.condition.Condition.Empty empty -> told(empty.field()).isNull();
            case org.pressboard.condition.Condition.OneOf oneOf -> oneOf(oneOf);
            case org.pressboard.condition.Condition.Compare compare -> isSeveral(compare.field())
                    ? compareSeveral(compare.field(), compare.operator(), operands.of(compare.operand()))
                    : compare(compare.field(), compare.operator(), operands.of(compare.operand()));
        };
    }

    private List<Condition> parts(List<org.pressboard.condition.Condition> parts) {
        return parts.stream().map(this::of).toList();
    }

    private Field<?> told(FieldKey key) {
        return fields.told(place, place.table().field(key));
    }

    private Field<?> shown(FieldKey key) {
        return fields.shown(place, place.table().field(key));
    }

    private boolean isSeveral(FieldKey key) {
        return place.table().field(key).type().isSeveral();
    }

    /** In the collation of the index, without which the index would not serve. */
    private Condition oneOf(org.pressboard.condition.Condition.OneOf oneOf) {
        if (oneOf.values().isEmpty()) {
            return DSL.falseCondition();
        }
        Field<?>[] values = oneOf.values().stream().map(ValueSql::bound).toArray(Field<?>[]::new);
        return isSeveral(oneOf.field())
                ? DSL.condition("{0} && array[{1}]::text[]", told(oneOf.field()), DSL.list(values))
                : DSL.condition("{0} in ({1})", fields.collated(told(oneOf.field())), DSL.list(values));
    }

    private Condition compare(FieldKey key, Operator operator, Field<?> operand) {
        return switch (operator) {
            case EQUALS -> DSL.condition("{0} = {1}", fields.collated(told(key)), operand);
            case DIFFERS -> DSL.condition("{0} <> {1}", fields.collated(told(key)), operand);
            case LESS -> DSL.condition("{0} < {1}", byCodePoint(key), operand);
            case AT_MOST -> DSL.condition("{0} <= {1}", byCodePoint(key), operand);
            case GREATER -> DSL.condition("{0} > {1}", byCodePoint(key), operand);
            case AT_LEAST -> DSL.condition("{0} >= {1}", byCodePoint(key), operand);
            case CONTAINS -> DSL.condition("{0} ilike {1}", shown(key), pattern("%", operand));
            case BEGINS -> DSL.condition("{0} ilike {1}", shown(key), pattern("", operand));
        };
    }

    /** That it has the operand among its values, or one that begins with or contains it. */
    private Condition compareSeveral(FieldKey key, Operator operator, Field<?> operand) {
        return switch (operator) {
            case EQUALS -> DSL.condition("{0} = any({1})", operand, told(key));
            case DIFFERS -> DSL.condition("{0} <> all({1})", operand, told(key));
            case CONTAINS -> likeOneOf(key, pattern("%", operand));
            case BEGINS -> likeOneOf(key, pattern("", operand));
            case LESS, AT_MOST, GREATER, AT_LEAST ->
                    throw new IllegalArgumentException("Several values have no order: " + key);
        };
    }

    /** Nothing is known where there is no value, or nothing to compare with. */
    private Condition likeOneOf(FieldKey key, Field<?> pattern) {
        return DSL.condition("(select bool_or(each ilike {0}) from unnest({1}) each)", pattern, told(key));
    }

    @SuppressWarnings("unchecked")
    private Field<?> byCodePoint(FieldKey key) {
        Field<?> field = told(key);
        return TableSql.isText(field)
                ? ((Field<String>) field).collate(DSL.collation(DSL.name("pg_catalog", "C"))) : field;
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
