package org.pressboard.bulk;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.ResultQuery;
import org.jspecify.annotations.Nullable;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.VisitorScope;
import org.pressboard.sql.OperandSql;
import org.pressboard.sql.TableSql;
import org.pressboard.sql.ValueSql;
import org.pressboard.table.FieldType;
import org.pressboard.value.Value;
import org.springframework.jdbc.UncategorizedSQLException;
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

    /** Straight from the driver: with a million rows, making records of them first would take as long again. */
    private void read(RowQuery query, TableSql table, Sink sink) {
        List<FieldType> types = query.show().stream().map(field -> query.table().field(field).type()).toList();
        try (ResultSet found = select(query, table).fetchResultSet()) {
            while (found.next()) {
                List<@Nullable Value> values = new ArrayList<>(types.size());
                for (int i = 0; i < types.size(); i++) {
                    values.add(ValueSql.fromColumn(found, i + 1, types.get(i)));
                }
                sink.row(values);
            }
        } catch (SQLException failed) {
            throw new UncategorizedSQLException("reading all rows", null, failed);
        }
    }

    private ResultQuery<?> select(RowQuery query, TableSql table) {
        List<Field<?>> columns = new ArrayList<>();
        query.show().forEach(field -> columns.add(table.column(field)));
        return sql.select(columns).from(table.asTable())
                .where(table.condition(query.condition(), new OperandSql.Bound(query.standpoint())))
                .orderBy(table.order(query.order(), query.isLastDescending()))
                .fetchSize(FETCH_SIZE);
    }
}
