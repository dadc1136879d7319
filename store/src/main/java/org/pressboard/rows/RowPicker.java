package org.pressboard.rows;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Standpoint;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.scope.VisitorScope;
import org.pressboard.sql.TableSql;
import org.pressboard.table.Field;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Folding;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Finds rows by what they are called, for whoever picks one. */
@Component
public class RowPicker {

    /** So many are offered at once; more words find the others. */
    public static final int OFFERED = 20;

    private static final int MOST_ALIKE = 5;

    private static final int MOST_WORDS = 10;

    private final Rows rows;
    private final DSLContext sql;
    private final VisitorScope scope;

    RowPicker(Rows rows, DSLContext sql, VisitorScope scope) {
        this.rows = rows;
        this.sql = sql;
        this.scope = scope;
    }

    /** Among all rows of a table, for those who may see them all. */
    public List<Value.Referred> find(Tables tables, Table table, String words, Locale language) {
        return find(Sight.whole(tables, table.key()), Visitor.staff(""), Standpoint.NOBODY, words, language);
    }

    /** Among the rows of a table that somebody sees. */
    public List<Value.Referred> find(Sight sight, Visitor visitor, Standpoint standpoint, String words,
            Locale language) {
        FieldKey heading = sight.table().headingField().map(Field::key).orElse(null);
        if (heading == null) {
            return List.of();
        }
        Condition sought = Condition.all(List.of(words.strip().split("\\s+")).stream().limit(MOST_WORDS)
                .filter(word -> !word.isEmpty() && sight.table().field(heading).type().isText())
                .<Condition>map(word -> new Condition.Mentions(List.of(heading), word)).toList());
        RowQuery query = new RowQuery(sight, visitor, standpoint, sight.asked(sight.table().key()), sought,
                List.of(SortBy.up(heading)), 1, OFFERED, List.of(heading));
        return rows.rows(query, language).stream()
                .map(row -> new Value.Referred(row.id(), called(row, heading))).toList();
    }

    /** The numbers of the first rows that are called just so, blind to case and accents, for those who may see them all. */
    @Transactional(readOnly = true)
    public List<RowId> called(Sight sight, String text, Locale language, int most) {
        FieldKey heading = sight.table().headingField().map(Field::key).orElse(null);
        if (heading == null || text.isBlank()) {
            return List.of();
        }
        TableSql table = TableSql.of(sight, Standpoint.NOBODY, language);
        // which an index serves
        org.jooq.Condition mentioned = sight.table().field(heading).type().isText()
                ? table.condition(new Condition.Mentions(List.of(heading), text.strip())) : DSL.noCondition();
        return sql.select(table.rowId()).from(table.asTable()).where(mentioned.and(table.folded(heading).eq(Folding.fold(text.strip()))))
                .orderBy(table.rowId()).limit(most).fetch(table.rowId());
    }

    /** What the first of these are called, each once: told where none is called just so. */
    public static List<String> alike(List<Value.Referred> rows) {
        return rows.stream().map(Value.Referred::heading).distinct().limit(MOST_ALIKE).toList();
    }

    /** The one of these that is called just so, blind to case and accents. */
    public static Optional<Value.Referred> just(List<Value.Referred> rows, String called) {
        String wanted = Folding.fold(called);
        return rows.stream().filter(row -> Folding.fold(row.heading()).equals(wanted)).findFirst();
    }

    private static String called(Row row, FieldKey heading) {
        return row.find(heading).map(value -> value instanceof Value.Referred referred ? referred.heading()
                : PlainForm.write(value)).orElse("");
    }

    /** The first rows that somebody sees and of which a condition is not so, by what they are called. */
    @Transactional(readOnly = true)
    public List<Value.Referred> without(Sight sight, Visitor visitor, Standpoint standpoint, Condition condition, int most) {
        TableSql table = TableSql.of(sight, standpoint, Locale.ENGLISH);
        List<RowId> numbers = sql.select(table.rowId()).from(table.asTable())
                .where(table.condition(sight.asked(sight.table().key())))
                .and(DSL.condition("({0}) is not true", table.conditionRowByRow(condition))).orderBy(table.rowId()).limit(most)
                .fetch(table.rowId());
        return headings(sight, visitor, standpoint, numbers);
    }

    /** What a row is called, for those who may see all; nothing where there is no such row. */
    @Transactional(readOnly = true)
    public String heading(Tables tables, Table table, RowId row) {
        return headings(Sight.whole(tables, table.key()), Visitor.staff(""), Standpoint.NOBODY, List.of(row)).stream()
                .map(Value.Referred::heading).findFirst().orElse("");
    }

    /** What these rows are called, as far as somebody sees them. */
    @Transactional(readOnly = true)
    public List<Value.Referred> headings(Sight sight, Visitor visitor, Standpoint standpoint, List<RowId> numbers) {
        FieldKey heading = sight.table().headingField().map(Field::key).orElse(null);
        return heading == null || numbers.isEmpty() ? List.of() : seen(sight, visitor, standpoint, heading, numbers).stream()
                .map(row -> new Value.Referred(row.id(), called(row, heading))).toList();
    }

    /** What a row has in that field, as far as somebody sees either. */
    @Transactional(readOnly = true)
    public Optional<Value> value(Sight sight, Visitor visitor, Standpoint standpoint, FieldKey field, RowId row) {
        return sight.table().fields().has(field) ? seen(sight, visitor, standpoint, field, List.of(row)).stream().findFirst()
                .flatMap(found -> found.find(field)) : Optional.empty();
    }

    /** These rows, as far as somebody sees them, with one of their fields. */
    private List<Row> seen(Sight sight, Visitor visitor, Standpoint standpoint, FieldKey field, List<RowId> numbers) {
        scope.enter(visitor, standpoint);
        TableSql table = TableSql.underLock(sight, standpoint, Locale.ENGLISH);
        Picking picking = Picking.whole(table, List.of(field));
        return sql.select(picking.columns()).from(table.asTable()).where(table.rowId().in(numbers))
                .and(table.condition(sight.asked(sight.table().key()))).fetch(picking::row);
    }
}
