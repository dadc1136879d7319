package org.pressboard.sql;

import java.math.BigDecimal;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import org.jooq.DataType;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.FieldType;
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

    /** The value of a column of the row read, by its number from 1. */
    public static @Nullable Value fromColumn(ResultSet row, int column, FieldType type) throws SQLException {
        return switch (type) {
            case FieldType.Text t -> text(row, column);
            case FieldType.LongText t -> text(row, column);
            case FieldType.Email t -> text(row, column);
            case FieldType.Link t -> text(row, column);
            case FieldType.Choice t -> text(row, column);
            case FieldType.Picture t -> text(row, column);
            case FieldType.WholeNumber t -> whole(row, column);
            case FieldType.Decimal t -> fromColumn(row.getBigDecimal(column));
            case FieldType.YesNo t -> yesNo(row, column);
            case FieldType.Date t -> fromColumn(row.getObject(column, LocalDate.class));
            case FieldType.DateTime t -> fromColumn(row.getObject(column, LocalDateTime.class));
        };
    }

    private static @Nullable Value text(ResultSet row, int column) throws SQLException {
        return fromColumn(row.getString(column));
    }

    private static @Nullable Value whole(ResultSet row, int column) throws SQLException {
        long number = row.getLong(column);
        return row.wasNull() ? null : Value.of(number);
    }

    private static @Nullable Value yesNo(ResultSet row, int column) throws SQLException {
        boolean yes = row.getBoolean(column);
        return row.wasNull() ? null : Value.of(yes);
    }
}
