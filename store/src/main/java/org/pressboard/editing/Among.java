package org.pressboard.editing;

import java.util.Locale;
import org.jooq.Condition;
import org.jooq.impl.DSL;
import org.pressboard.listing.RowQuery;
import org.pressboard.sql.TableSql;
import org.pressboard.value.RowId;

/** Among which rows one has to be to be written. */
interface Among {

    Among ALL = row -> DSL.trueCondition();

    /** Those of a listing, as its visitor gets them. */
    static Among of(RowQuery query, Locale language) {
        return row -> {
            TableSql table = TableSql.of(query, language);
            return DSL.exists(DSL.selectOne().from(table.asTable()).where(table.rowId().eq(row))
                    .and(table.conditionRowByRow(query.within())));
        };
    }

    Condition has(RowId row);
}
