package org.pressboard.sql;

import java.util.List;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Param;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.source.Hosted;
import org.pressboard.table.FieldType;
import org.pressboard.table.Referring;
import org.pressboard.value.FieldKey;

/**
 * Compiles the core's conditions; its answers are those of the core, absent values included: what SQL leaves unknown is false
 * here, so within a "not" every leaf says so.
 */
final class ConditionSql {

    private final FieldSql fields;
    private final Joins.Place place;
    private final OperandSql operands;
    private final Mentioning mentioning;

    /** How that some fields mention a text is asked. */
    interface Mentioning {

        Condition of(MentionSql mention, List<FieldKey> fields);
    }

    /** Of one row after the other. */
    ConditionSql(FieldSql fields, Joins.Place place, OperandSql operands) {
        this(fields, place, operands, (mention, among) -> mention.rowByRow(place, among));
    }

    ConditionSql(FieldSql fields, Joins.Place place, OperandSql operands, Mentioning mentioning) {
        this.fields = fields;
        this.place = place;
        this.operands = operands;
        this.mentioning = mentioning;
    }

    Condition of(org.pressboard.condition.Condition condition) {
        return of(condition, false);
    }

    /** @param negated whether it stands within a "not", where unknown and false are not the same */
    private Condition of(org.pressboard.condition.Condition condition, boolean negated) {
        return switch (condition) {
            case org.pressboard.condition.Condition.All all -> all.parts().isEmpty()
                    ? DSL.trueCondition() : DSL.and(parts(all.parts(), negated));
            case org.pressboard.condition.Condition.Any any -> any.parts().isEmpty()
                    ? DSL.falseCondition() : DSL.or(parts(any.parts(), negated));
            case org.pressboard.condition.Condition.Not not -> DSL.not(of(not.part(), true));
            case org.pressboard.condition.Condition.Empty empty -> told(empty.field()).isNull();
            case org.pressboard.condition.Condition.OneOf oneOf -> known(oneOf(oneOf), negated);
            case org.pressboard.condition.Condition.Between between -> DSL.and(parts(between.ends(), negated));
            case org.pressboard.condition.Condition.Mentions mentions -> known(mentioning.of(
                    new MentionSql(fields, mentions.text()), mentions.among()), negated);
            case org.pressboard.condition.Condition.Compare compare when compare.operator() == Operator.DIFFERS ->
                    DSL.not(known(compare(new org.pressboard.condition.Condition.Compare(compare.field(), Operator.EQUALS,
                            compare.operand()), true), true));
            case org.pressboard.condition.Condition.Compare compare -> known(compare(compare, negated), negated);
            case org.pressboard.condition.Condition.Owned owned -> known(owned(place, owned.by().way()), negated);
            case org.pressboard.condition.Condition.Sent sent -> known(DSL.condition("{0} = {1}",
                    DSL.field(place.column(Hosted.SENDER)), operands.browser()), negated);
        };
    }

    private static Condition known(Condition leaf, boolean negated) {
        return negated ? DSL.condition("coalesce({0}, false)", leaf) : leaf;
    }

    private List<Condition> parts(List<org.pressboard.condition.Condition> parts, boolean negated) {
        return parts.stream().map(part -> of(part, negated)).toList();
    }

    private Condition compare(org.pressboard.condition.Condition.Compare compare, boolean negated) {
        Field<?> operand = operands.of(compare.operand(),
                ValueSql.columnType(place.table().field(compare.field()).type()));
        if (compare.operand() instanceof Operand.OfVisitor && isReference(compare.field())) {
            return equalsReference(compare.field(), operand);
        }
        if (!compare.operator().isForText()) {
            return isSeveral(compare.field()) ? compareSeveral(compare.field(), compare.operator(), operand)
                    : compare(compare.field(), compare.operator(), operand);
        }
        Condition like = like(compare.field(), compare.operator() == Operator.BEGINS ? "" : "%", operand);
        String known = known(operand);
        boolean isKeptFolded = fields.hasSearchText(place) && place.table().field(compare.field()).isSearchable();
        return !negated && isKeptFolded && known != null
                ? MentionSql.searched(place).like(MentionSql.containing(known)).and(like) : like;
    }

    private boolean isReference(FieldKey key) {
        org.pressboard.table.Field field = place.table().field(key);
        return field.isEntered() && field.type() instanceof Referring && !place.open();
    }

    /** With a row of the visitor's own, which tells them nothing of rows that they may not see. */
    private Condition equalsReference(FieldKey key, Field<?> operand) {
        Field<?> column = fields.column(place, place.table().field(key));
        return DSL.condition(isSeveral(key) ? "{1} = any ({0})" : "{0} = {1}", column, operand);
    }

    /** Through views that show all who lies between; see {@link org.pressboard.condition.Condition.Owned}. */
    private Condition owned(Joins.Place at, List<FieldKey> way) {
        org.pressboard.table.Field field = at.table().field(way.getFirst());
        Field<?> column = fields.column(at, field);
        if (way.size() == 1) {
            return ownedBy(field, column);
        }
        Joins.Place to = new Joins.Place(fields.target(field), at.alias() + ">" + field.key(), true);
        return DSL.condition("{0} in (select {1} from {2} as {3} where {4})", column,
                to.column(Hosted.ROW), to.source(), DSL.name(to.alias()), owned(to, way.subList(1, way.size())));
    }

    private Condition ownedBy(org.pressboard.table.Field field, Field<?> column) {
        if (!(field.type() instanceof Referring)) {
            return DSL.condition("lower({0}) = {1}", column, operands.of(Operand.OfVisitor.EMAIL, SQLDataType.CLOB));
        }
        Field<?> member = operands.of(Operand.OfVisitor.ROW, SQLDataType.BIGINT);
        return DSL.condition(field.type().isSeveral() ? "{1} = any ({0})" : "{0} = {1}", column, member);
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
                ? DSL.condition("{0} && array[{1}]::{2}[]", told(oneOf.field()), DSL.list(values),
                        DSL.keyword(place.table().field(oneOf.field()).type().held() == FieldType.Held.ROWS
                                ? "bigint" : "text"))
                : DSL.condition("{0} in ({1})", fields.collated(told(oneOf.field())), DSL.list(values));
    }

    private Condition compare(FieldKey key, Operator operator, Field<?> operand) {
        return switch (operator) {
            case EQUALS -> DSL.condition("{0} = {1}", fields.collated(told(key)), operand);
            case LESS -> DSL.condition("{0} < {1}", byCodePoint(key), operand);
            case AT_MOST -> DSL.condition("{0} <= {1}", byCodePoint(key), operand);
            case GREATER -> DSL.condition("{0} > {1}", byCodePoint(key), operand);
            case AT_LEAST -> DSL.condition("{0} >= {1}", byCodePoint(key), operand);
            case DIFFERS, CONTAINS, BEGINS -> throw new IllegalArgumentException("Asked otherwise: " + key);
        };
    }

    /** That it has the operand among its values. */
    private Condition compareSeveral(FieldKey key, Operator operator, Field<?> operand) {
        return switch (operator) {
            case EQUALS -> DSL.condition("{0} = any({1})", operand, told(key));
            case DIFFERS, LESS, AT_MOST, GREATER, AT_LEAST, CONTAINS, BEGINS ->
                    throw new IllegalArgumentException("Several values have no order: " + key);
        };
    }

    /** Nothing is known where there is no value, or nothing to compare with. */
    private Condition like(FieldKey key, String before, Field<?> operand) {
        Field<?> pattern = pattern(before, operand);
        return isSeveral(key)
                ? DSL.condition("(select bool_or({0} like {1}) from unnest({2}) _each)",
                        MentionSql.folded(DSL.field(DSL.name("_each"))), pattern, shown(key))
                : DSL.condition("{0} like {1}", MentionSql.folded(shown(key)), pattern);
    }

    @SuppressWarnings("unchecked")
    private Field<?> byCodePoint(FieldKey key) {
        Field<?> field = told(key);
        return TableSql.isText(field)
                ? ((Field<String>) field).collate(DSL.collation(DSL.name("pg_catalog", "C"))) : field;
    }

    /** A pattern in which the operand stands for itself. What is known now is escaped now, so an index can serve. */
    private static Field<?> pattern(String before, Field<?> operand) {
        String known = known(operand);
        if (known != null) {
            return DSL.val(before + MentionSql.escaped(known) + "%");
        }
        return DSL.field("{0} || regexp_replace({1}, '([\\\\%_])', '\\\\\\1', 'g') || '%'", String.class,
                DSL.inline(before), MentionSql.folded(operand));
    }

    private static @Nullable String known(Field<?> operand) {
        return operand instanceof Param<?> param && param.getValue() instanceof String text ? text : null;
    }
}
