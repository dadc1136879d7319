package org.pressboard.source;

import java.util.Collection;
import org.jooq.Condition;
import org.jooq.Converter;
import org.jooq.DataType;
import org.jooq.Field;
import org.jooq.Name;
import org.jooq.QueryPart;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.pressboard.table.Source;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.value.RowId;

/**
 * How hosted rows lie in the site's own database: the names of schemas, and of the columns that are not fields. They stand
 * here and nowhere else.
 */
public final class Hosted {

    /** Who sent the row from a page: an address, or a browser. */
    public static final Name SENDER = DSL.name("_sender");

    /** Through which form it was sent. */
    public static final Name FORM = DSL.name("_form");

    /** All that is searched of a row, folded; kept by the database. */
    public static final Name SEARCH_TEXT = DSL.name("search_text");

    public static final Name ADDED_AT = DSL.name("added_at");
    public static final Name ADDED_BY = DSL.name("added_by");
    public static final Name CHANGED_AT = DSL.name("changed_at");
    public static final Name CHANGED_BY = DSL.name("changed_by");

    /** The number of a row: its primary key. */
    public static final Name ROW = DSL.name("row_id");

    /** How the database keeps what identifies a row. */
    public static final DataType<RowId> TYPE = SQLDataType.BIGINT.asConvertedDataType(
            Converter.of(Long.class, RowId.class, RowId::new, RowId::number));

    /** The same as a column. */
    public static final Field<RowId> ID = DSL.field(ROW, TYPE);

    private static final String SCHEMA = "hosted";

    /** Where removed tables wait. */
    private static final String BIN = "hosted_bin";

    /** The schema of what is seen of tables by all who see fields of others that show it. */
    private static final String OPEN = "hosted_open";

    /** The schema of what is seen of fields that are not in all rows that somebody sees. */
    private static final String PARTLY = "hosted_partly";

    /** The schema of all tables of links. */
    private static final String LINKS = "hosted_links";

    private Hosted() {
    }

    /** What a table's rows are read from. */
    public static Name name(Table table) {
        return switch (table.source()) {
            case Source.Hosted hosted -> name(table.key());
        };
    }

    public static Name name(TableKey table) {
        return DSL.name(SCHEMA, table.name());
    }

    /** Where it is while it waits in the bin. */
    public static Name binned(TableKey table) {
        return DSL.name(BIN, table.name());
    }

    public static Name binSchema() {
        return DSL.name(BIN);
    }

    /** The view of what all may see of it. */
    public static Name open(TableKey table) {
        return DSL.name(OPEN, table.name());
    }

    /** The view of what of its fields is not in all rows that somebody sees. */
    public static Name partly(TableKey table) {
        return DSL.name(PARTLY, table.name());
    }

    /** A table of links. */
    public static Name links(String name) {
        return DSL.name(LINKS, name);
    }

    /** An index of one of the tables. */
    public static Name index(String name) {
        return DSL.name(SCHEMA, name);
    }

    /** The schema of the tables as a text, as the database's own catalog is asked for it. */
    public static Field<String> schema() {
        return DSL.inline(SCHEMA);
    }

    public static Name schemaName() {
        return DSL.name(SCHEMA);
    }

    /** The same of the views of {@link #open}. */
    public static Field<String> openSchema() {
        return DSL.inline(OPEN);
    }

    /** A text as it is searched. */
    public static Field<String> folded(QueryPart text) {
        return DSL.field("{0}({1})", SQLDataType.CLOB, DSL.name(SCHEMA, "folded"), text);
    }

    /** The contents of several files in one column, as they are looked up. */
    public static QueryPart contents(QueryPart column) {
        return DSL.sql("{0}({1})", DSL.name(SCHEMA, "contents"), column);
    }

    /** That it is one of these; of however many, the same statement. */
    public static Condition oneOf(Field<RowId> row, Collection<RowId> rows) {
        return DSL.condition("{0} = any({1})", row, DSL.val(array(rows)));
    }

    /** Several as one value. */
    public static Long[] array(Collection<RowId> rows) {
        return rows.stream().map(RowId::number).toArray(Long[]::new);
    }
}
