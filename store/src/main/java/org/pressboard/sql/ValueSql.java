package org.pressboard.sql;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import org.jooq.DataType;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.FieldType;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.Value;

/** Values and types of the core as PostgreSQL has them. */
public final class ValueSql {

    private ValueSql() {
    }

    public static Field<?> bound(Value value) {
        return switch (value) {
            case Value.Text text -> DSL.val(text.text(), SQLDataType.CLOB);
            case Value.Whole whole -> DSL.val(whole.number());
            case Value.Decimal decimal -> DSL.val(decimal.number());
            case Value.YesNo yesNo -> DSL.val(yesNo.yes());
            case Value.Date date -> DSL.val(date.day());
            case Value.Moment moment -> DSL.val(moment.at());
        };
    }

    /** The type of the column that holds such a field. */
    public static DataType<?> columnType(FieldType type) {
        return switch (type) {
            case FieldType.Text t -> SQLDataType.CLOB;
            case FieldType.LongText t -> SQLDataType.CLOB;
            case FieldType.Email t -> SQLDataType.CLOB;
            case FieldType.Link t -> SQLDataType.CLOB;
            case FieldType.Choice t -> SQLDataType.CLOB;
            case FieldType.Picture t -> SQLDataType.CLOB;
            case FieldType.WholeNumber t -> SQLDataType.BIGINT;
            case FieldType.Decimal t -> SQLDataType.NUMERIC;
            case FieldType.YesNo t -> SQLDataType.BOOLEAN;
            case FieldType.Date t -> SQLDataType.LOCALDATE;
            case FieldType.DateTime t -> SQLDataType.LOCALDATETIME(6);
        };
    }

    /** The value of a column as the core has it. */
    public static @Nullable Value fromColumn(@Nullable Object column) {
        return switch (column) {
            case null -> null;
            case String text -> Value.of(text);
            case Long whole -> Value.of(whole.longValue());
            case BigDecimal decimal -> Value.of(decimal);
            case Boolean yesNo -> Value.of(yesNo.booleanValue());
            case LocalDate date -> Value.of(date);
            case LocalDateTime moment -> Value.of(moment);
            default -> throw new IllegalArgumentException("No value of a field: " + column.getClass());
        };
    }

    /** The column as it stands in a file for spreadsheets. */
    public static Field<?> cell(Field<?> column, FieldType type, SpreadsheetCells cells) {
        Field<?> plain = plainForm(column, type);
        boolean isText = columnType(type).equals(SQLDataType.CLOB);
        return !isText || cells == SpreadsheetCells.BARE ? plain
                : DSL.field("case when {0} ~ {1} and {0} !~ {2} then {3} || {0} else {0} end", String.class, plain,
                        DSL.inline(SpreadsheetCells.FORMULA), DSL.inline(SpreadsheetCells.NUMBER), DSL.inline("'"));
    }

    /** The column as its values' plain form has it (see {@link org.pressboard.value.PlainForm}). */
    public static Field<?> plainForm(Field<?> column, FieldType type) {
        return switch (type) {
            case FieldType.YesNo t -> DSL.field("case when {0} then 'yes' when not {0} then 'no' end", column);
            // as JSON has it, which is ISO 8601
            case FieldType.DateTime t -> DSL.field("trim('\"' from to_json({0})::text)", column);
            case FieldType.Text t -> column;
            case FieldType.LongText t -> column;
            case FieldType.Email t -> column;
            case FieldType.Link t -> column;
            case FieldType.Choice t -> column;
            case FieldType.Picture t -> column;
            case FieldType.WholeNumber t -> column;
            case FieldType.Decimal t -> column;
            case FieldType.Date t -> column;
        };
    }
}
