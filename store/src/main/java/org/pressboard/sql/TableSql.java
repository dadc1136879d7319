package org.pressboard.sql;

import java.util.List;
import java.util.Locale;
import org.jooq.Collation;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.Name;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.listing.SortBy;
import org.pressboard.table.FieldKey;
import org.pressboard.table.Table;

/** A table of the owner's as SQL sees it: its names, its columns, and how a language sorts them. */
public final class TableSql {

    /** The schema of all hosted tables. */
    public static final String SCHEMA = "hosted";

    /** The number of a row: its primary key. */
    public static final String ROW_ID = "row_id";

    private final Table table;
    private final Locale language;

    public TableSql(Table table, Locale language) {
        this.table = table;
        this.language = language;
    }

    public static Name name(Table table) {
        return DSL.name(SCHEMA, table.key().name());
    }

    public org.jooq.Table<?> asTable() {
        return DSL.table(name(table));
    }

    public Field<Long> rowId() {
        return DSL.field(DSL.name(ROW_ID), Long.class);
    }

    /** @throws org.pressboard.table.NoSuchField when the table has no such field */
    public Field<?> column(FieldKey key) {
        return column(table.field(key));
    }

    private static Field<?> column(org.pressboard.table.Field field) {
        return DSL.field(DSL.name(field.key().name()), ValueSql.columnType(field.type()));
    }

    /** The column, of texts no more than their first so many characters. */
    public Field<?> beginning(FieldKey key, int characters) {
        Field<?> column = column(key);
        return isText(key) ? DSL.left(column.cast(SQLDataType.CLOB), characters) : column;
    }

    /** How many bytes the texts of a row have in these columns. */
    public Field<Integer> bytesOfTexts(List<FieldKey> keys) {
        Field<Integer> bytes = DSL.inline(0);
        for (FieldKey key : keys) {
            bytes = isText(key) ? bytes.plus(DSL.coalesce(DSL.octetLength(column(key).cast(SQLDataType.CLOB)), 0)) : bytes;
        }
        return bytes;
    }

    /** The column as it is sorted, narrowed and indexed: texts in the order of the language. */
    @SuppressWarnings("unchecked")
    public Field<?> collated(FieldKey key) {
        Field<?> column = column(key);
        return isText(key) ? ((Field<String>) column).collate(collation()) : column;
    }

    /** PostgreSQL's own collation of the language, from ICU. */
    public Collation collation() {
        return DSL.collation(DSL.name("pg_catalog", language.toLanguageTag() + "-x-icu"));
    }

    private boolean isText(FieldKey key) {
        return ValueSql.columnType(table.field(key).type()).equals(SQLDataType.CLOB);
    }

    /** The order, empty values last either way, rows that it does not tell apart by their number. */
    public List<SortField<?>> order(List<SortBy> order, boolean byNumberDescending) {
        List<SortField<?>> fields = new java.util.ArrayList<>();
        for (SortBy sort : order) {
            Field<?> column = collated(sort.field());
            fields.add((sort.descending() ? column.desc() : column.asc()).nullsLast());
        }
        fields.add(byNumberDescending ? rowId().desc() : rowId().asc());
        return fields;
    }

    public Condition condition(org.pressboard.condition.Condition condition, OperandSql operands) {
        return new ConditionSql(this, operands).of(condition);
    }
}
