package org.pressboard.bulk;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jooq.Cursor;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * All rows of a row query, whatever its page, one after the other in constant memory, under the visitor's row security
 * with the whole condition.
 */
@Component
public class RowStream {

    private static final int FETCH_SIZE = 2_000;
    private static final String LONGEST = "10min";

    private final DSLContext sql;
    private final VisitorScope scope;
    private final TransactionTemplate reading;

    RowStream(DSLContext sql, VisitorScope scope, PlatformTransactionManager transactions) {
        this.sql = sql;
        this.scope = scope;
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
    }

    /** Takes the shown values of one row; {@code null} where there is none. */
    public interface Sink {

        void row(List<@Nullable Value> values);
    }

    public void all(RowQuery query, Locale language, Sink sink) {
        reading.executeWithoutResult(status -> {
            sql.execute("set local statement_timeout = {0}", org.jooq.impl.DSL.inline(LONGEST));
            scope.enter(query.visitor(), query.standpoint());
            read(query, new TableSql(query.table(), language), sink);
        });
    }

    private void read(RowQuery query, TableSql table, Sink sink) {
        List<Field<?>> columns = new ArrayList<>();
        query.show().forEach(field -> columns.add(table.column(field)));
        try (Cursor<? extends Record> cursor = sql.select(columns).from(table.asTable())
                .where(table.condition(query.condition(), new OperandSql.Bound(query.standpoint())))
                .orderBy(table.order(query.order(), query.isLastDescending()))
                .fetchSize(FETCH_SIZE).fetchLazy()) {
            for (Record found : cursor) {
                List<@Nullable Value> values = new ArrayList<>(columns.size());
                for (int i = 0; i < columns.size(); i++) {
                    values.add(ValueSql.fromColumn(found.get(i)));
                }
                sink.row(values);
            }
        }
    }
}
