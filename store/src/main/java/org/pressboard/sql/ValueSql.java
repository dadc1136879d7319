package org.pressboard.sql;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.Arrays;
import org.jooq.Configuration;
import org.jooq.DataType;
import org.jooq.Field;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.jooq.impl.SQLDataType;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Attached;
import org.pressboard.table.FieldType;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.Value;

/** Values and types of the core as PostgreSQL has them. */
public final class ValueSql {

    private static final Configuration POSTGRES = DSL.using(SQLDialect.POSTGRES).configuration();

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
            case Value.Time time -> DSL.val(time.at());
            case Value.Referred referred -> DSL.val(referred.row().number());
            case Value.Attachment file -> DSL.val(PlainForm.write(file), SQLDataType.CLOB);
            case Value.Several several when several.values().getFirst() instanceof Value.Referred -> DSL.val(
                    several.values().stream().map(each -> ((Value.Referred) each).row().number()).toArray(Long[]::new));
            case Value.Several several -> DSL.val(several.values().stream().map(PlainForm::write)
                    .toArray(String[]::new), SQLDataType.CLOB.array());
        };
    }

    /** The type of the column that holds such a field. */
    public static DataType<?> columnType(FieldType type) {
        return switch (type.held()) {
            case TEXT, FILE -> SQLDataType.CLOB;
            case TEXTS, FILES -> SQLDataType.CLOB.array();
            case WHOLE, ROW -> SQLDataType.BIGINT;
            case ROWS -> SQLDataType.BIGINT.array();
            case DECIMAL -> SQLDataType.NUMERIC;
            case YES_NO -> SQLDataType.BOOLEAN;
            case DATE -> SQLDataType.LOCALDATE;
            case MOMENT -> SQLDataType.LOCALDATETIME(6);
            case TIME -> SQLDataType.LOCALTIME(6);
        };
    }

    /** What PostgreSQL calls that type. */
    public static String typeName(FieldType type) {
        return columnType(type).getCastTypeName(POSTGRES);
    }

    /** The value of a column of a field as the core has it; of a reference, its number. */
    public static @Nullable Value fromColumn(@Nullable Object column, FieldType type) {
        Value value = fromColumn(column);
        return value != null && type instanceof Attached ? type.read(PlainForm.write(value)).orElse(null) : value;
    }

    /** The same of what is no file. */
    public static @Nullable Value fromColumn(@Nullable Object column) {
        return switch (column) {
            case null -> null;
            case String text -> Value.of(text);
            case Long whole -> Value.of(whole.longValue());
            case BigDecimal decimal -> Value.of(decimal);
            case Boolean yesNo -> Value.of(yesNo.booleanValue());
            case LocalDate date -> Value.of(date);
            case LocalDateTime moment -> Value.of(moment);
            case LocalTime time -> Value.of(time);
            case Long[] rows -> rows.length == 0 ? null : new Value.Several(
                    Arrays.stream(rows).<Value>map(row -> new Value.Referred(new RowId(row), "")).toList());
            case String[] texts -> texts.length == 0 ? null
                    : new Value.Several(Arrays.stream(texts).<Value>map(Value::of).toList());
            default -> throw new IllegalArgumentException("No value of a field: " + column.getClass());
        };
    }

    /** What is shown of a field as it stands in a file for spreadsheets. */
    public static Field<?> cell(Field<?> shown, FieldType type, SpreadsheetCells cells) {
        Field<?> plain = plainForm(shown, type);
        return !TableSql.isText(plain) || cells == SpreadsheetCells.BARE ? plain
                : DSL.field("case when {0} ~ {1} and {0} !~ {2} then {3} || {0} else {0} end", String.class, plain,
                        DSL.inline(SpreadsheetCells.FORMULA), DSL.inline(SpreadsheetCells.NUMBER), DSL.inline("'"));
    }

    /** What a file is called; see {@link PlainForm#attachment}. */
    private static Field<String> nameOf(Field<?> file) {
        return DSL.field("regexp_replace({0}, '^[0-9a-f]{64}/', '')", SQLDataType.CLOB, file);
    }

    /** What is shown of a field as its values' plain form has it (see {@link PlainForm}). */
    public static Field<?> plainForm(Field<?> shown, FieldType type) {
        return switch (type.held()) {
            case YES_NO -> DSL.field("case when {0} then 'yes' when not {0} then 'no' end", String.class, shown);
            // as JSON has it, which is ISO 8601
            case MOMENT -> DSL.field("trim('\"' from to_json({0})::text)", String.class, shown);
            case TEXTS, ROWS -> DSL.field("array_to_string({0}, {1})", SQLDataType.CLOB, shown,
                    DSL.inline(PlainForm.BETWEEN));
            case FILE -> nameOf(shown);
            case FILES -> DSL.field("(select string_agg({0}, {1} order by place) "
                            + "from unnest({2}) with ordinality each (file, place))", SQLDataType.CLOB,
                    nameOf(DSL.field("file")), DSL.inline(PlainForm.BETWEEN), shown);
            case TEXT, ROW, WHOLE, DECIMAL, DATE, TIME -> shown;
        };
    }
}
