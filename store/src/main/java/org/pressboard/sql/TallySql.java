package org.pressboard.sql;

import java.util.Objects;
import java.util.function.Function;
import org.jooq.Condition;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;

/**
 * What a tally comes to for one row, over the rows of another table that refer to it.
 *
 * @param own       the name that the row's table has in the query
 * @param referring the table whose rows refer
 * @param as        the name that they have in the query
 * @param taken     which of them are taken
 */
public record TallySql(Name own, Table referring, Name as, Condition taken) {

    /** The outcome as an expression, of the type of its field. */
    public QueryPart of(Field field, Computed.Tally tally) {
        return of(field, tally, key -> of(key.name()));
    }

    /** @param column how the fields of the rows that refer are read */
    QueryPart of(Field field, Computed.Tally tally, Function<FieldKey, QueryPart> column) {
        QueryPart rows = DSL.sql("from {0} as {1} where {2} = {3} and ({4})", TableSql.name(referring), as,
                of(tally.by().name()), DSL.name(own, DSL.name(TableSql.ROW_ID)), taken);
        QueryPart typed = DSL.sql("({0})::{1}", outcome(tally, rows, column), DSL.sql(ValueSql.typeName(field.type())));
        return floored(tally.from() == null ? typed
                : DSL.sql("({0} - {1})", ofOwn(tally.from().name()), typed), tally.floor());
    }

    private QueryPart outcome(Computed.Tally tally, QueryPart rows, Function<FieldKey, QueryPart> column) {
        QueryPart of = tally.field() == null ? DSL.sql("*") : column.apply(tally.field());
        return switch (tally.measure()) {
            case COUNT -> DSL.sql("(select count({0}) {1})", of, rows);
            case SUM -> DSL.sql("(select coalesce(sum({0}), 0) {1})", of, rows);
            case AVERAGE -> DSL.sql("(select avg({0}) {1})", of, rows);
            case LEAST -> DSL.sql("(select min({0}) {1})", of, rows);
            case GREATEST -> DSL.sql("(select max({0}) {1})", of, rows);
            case FIRST -> byOrder(of, rows, tally, column, "asc");
            case LAST -> byOrder(of, rows, tally, column, "desc");
        };
    }

    private QueryPart byOrder(QueryPart of, QueryPart rows, Computed.Tally tally, Function<FieldKey, QueryPart> column,
            String way) {
        return DSL.sql("(select {0} {1} and {0} is not null order by {2} {3} nulls last, {4} {3} limit 1)", of, rows,
                column.apply(Objects.requireNonNull(tally.order())), DSL.keyword(way), of(TableSql.ROW_ID));
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
