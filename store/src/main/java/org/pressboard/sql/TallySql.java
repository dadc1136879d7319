package org.pressboard.sql;

import java.util.Objects;
import java.util.function.Function;
import org.jooq.Collation;
import org.jooq.Condition;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.source.Hosted;
import org.pressboard.table.Chosen;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;

/**
 * What a tally comes to for one row, over the rows of another table that refer to it.
 *
 * @param own       the name that the row's table has in the query
 * @param referring the table whose rows refer
 * @param as        the name that they have in the query
 * @param taken     which of them are taken
 * @param collation in which texts are sorted
 */
public record TallySql(Name own, Table referring, Name as, Condition taken, Collation collation) {

    private static final int DIGITS = 6;

    /** The outcome as an expression, of the type of its field. */
    public QueryPart of(Field field, Computed.Tally tally) {
        return of(field, tally, key -> of(key.name()));
    }

    /** @param column how the fields of the rows that refer are read */
    QueryPart of(Field field, Computed.Tally tally, Function<FieldKey, QueryPart> column) {
        QueryPart rows = DSL.sql("from {0} as {1} where {2} = {3} and ({4})", Hosted.name(referring), as,
                of(tally.by().name()), DSL.name(own, Hosted.ROW), taken);
        QueryPart typed = DSL.sql("({0})::{1}", outcome(tally, rows, column, digits(field)), DSL.sql(ValueSql.typeName(field.type())));
        if (tally.from() == null) {
            return floored(typed, tally.floor());
        }
        // what is left of a number that nobody has said is not known, however much is to be left at least
        QueryPart from = ofOwn(tally.from().name());
        return DSL.sql("case when {0} is not null then {1} end", from, floored(DSL.sql("({0} - {1})", from, typed), tally.floor()));
    }

    /** As many as make sense of an average: more than it is shown with would tell nothing, however far it could be worked out. */
    private static int digits(Field field) {
        return switch (field.type()) {
            case Numeric.Decimal decimal -> Math.max(DIGITS, decimal.digits());
            case Numeric.Percent percent -> Math.max(DIGITS, percent.digits());
            default -> DIGITS;
        };
    }

    private QueryPart outcome(Computed.Tally tally, QueryPart rows, Function<FieldKey, QueryPart> column, int digits) {
        QueryPart of = tally.field() == null ? DSL.sql("*") : column.apply(tally.field());
        return switch (tally.measure()) {
            case COUNT -> DSL.sql("(select count({0}) {1})", of, rows);
            case SUM -> DSL.sql("(select coalesce(sum({0}), 0) {1})", of, rows);
            case AVERAGE -> DSL.sql("(select trim_scale(round(avg({0}), {2})) {1})", of, rows, DSL.inline(digits));
            case LEAST -> extreme(of, rows, Objects.requireNonNull(tally.field()), column, "min", "asc");
            case GREATEST -> extreme(of, rows, Objects.requireNonNull(tally.field()), column, "max", "desc");
            case FIRST -> byOrder(of, rows, sorted(Objects.requireNonNull(tally.order()), column), "asc");
            case LAST -> byOrder(of, rows, sorted(Objects.requireNonNull(tally.order()), column), "desc");
        };
    }

    private QueryPart extreme(QueryPart of, QueryPart rows, FieldKey key, Function<FieldKey, QueryPart> column, String among, String way) {
        return referring.field(key).type().held() == FieldType.Held.TEXT ? byOrder(of, rows, sorted(key, column), way)
                : DSL.sql("(select {0}({1}) {2})", DSL.keyword(among), of, rows);
    }

    /** As the same page sorts it: texts in the order of the language, choices in that of their options. */
    private QueryPart sorted(FieldKey key, Function<FieldKey, QueryPart> column) {
        FieldType type = referring.field(key).type();
        if (type instanceof Chosen.Choice choice) {
            return FieldSql.ranked(DSL.field("{0}", SQLDataType.CLOB, column.apply(key)), choice);
        }
        return type.held() == FieldType.Held.TEXT ? DSL.sql("{0} collate {1}", column.apply(key), collation) : column.apply(key);
    }

    private QueryPart byOrder(QueryPart of, QueryPart rows, QueryPart order, String way) {
        return DSL.sql("(select {0} {1} and {0} is not null order by {2} {3} nulls last, {4} {3} limit 1)", of, rows, order,
                DSL.keyword(way), of(Hosted.ROW.last()));
    }

    /** Where nothing comes out, the floor is what is left. */
    private QueryPart floored(QueryPart outcome, Computed.Floor floor) {
        if (floor.number() != null) {
            return DSL.sql("greatest({0}, {1})", outcome, ValueSql.bound(floor.number()));
        }
        return floor.field() == null ? outcome
                : DSL.sql("greatest({0}, {1})", outcome, ofOwn(floor.field().name()));
    }

    private Name of(String column) {
        return DSL.name(as, DSL.name(column));
    }

    private Name ofOwn(String column) {
        return DSL.name(own, DSL.name(column));
    }
}
