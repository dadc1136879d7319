package org.pressboard.bulk;

import java.math.BigDecimal;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.stream.Collectors;
import org.dhatim.fastexcel.Worksheet;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

/**
 * Values as cells of a spreadsheet. Its numbers have 15 digits at most and its texts 32,767 characters (Office Open XML
 * as spreadsheets have it, common practice): a number with more is a text, so that none of it is lost, and a longer text
 * says that it is cut.
 */
final class XlsxCells {

    private static final int MOST_DIGITS = 15;
    private static final int LONGEST_TEXT = 32_767;
    private static final String CUT = " … (a cell holds no more)";
    private static final double SECONDS_OF_A_DAY = 86_400;

    private final List<Field> fields;

    XlsxCells(Table table, List<FieldKey> shown) {
        this.fields = shown.stream().map(table::field).toList();
    }

    void write(Worksheet sheet, int line, Row row) {
        for (int column = 0; column < fields.size(); column++) {
            Value value = row.get(fields.get(column).key());
            if (value != null) {
                write(sheet, line, column, fields.get(column).type(), value);
            }
        }
    }

    private static void write(Worksheet sheet, int line, int column, FieldType type, Value value) {
        switch (value) {
            case Value.Whole whole -> number(sheet, line, column, type, BigDecimal.valueOf(whole.number()));
            case Value.Decimal decimal -> number(sheet, line, column, type, decimal.number());
            case Value.YesNo yesNo -> sheet.value(line, column, yesNo.yes());
            case Value.Date date -> {
                sheet.value(line, column, date.day());
                sheet.style(line, column).format("yyyy-mm-dd").set();
            }
            case Value.Moment moment -> {
                sheet.value(line, column, moment.at());
                sheet.style(line, column).format("yyyy-mm-dd hh:mm:ss").set();
            }
            case Value.Time time -> {
                double part = (time.at().toSecondOfDay() + time.at().get(java.time.temporal.ChronoField.NANO_OF_SECOND)
                        / (double) ChronoUnit.SECONDS.getDuration().toNanos()) / SECONDS_OF_A_DAY;
                sheet.value(line, column, part);
                sheet.style(line, column).format("hh:mm:ss").set();
            }
            case Value.Text text -> text(sheet, line, column, text.text());
            case Value.Referred referred -> text(sheet, line, column, referred.heading());
            case Value.Attachment file -> text(sheet, line, column, file.name());
            case Value.Several several -> text(sheet, line, column, several.values().stream().map(XlsxCells::said)
                    .collect(Collectors.joining(", ")));
        }
    }

    private static String said(Value value) {
        return switch (value) {
            case Value.Referred referred -> referred.heading();
            case Value.Attachment file -> file.name();
            default -> PlainForm.write(value);
        };
    }

    private static void number(Worksheet sheet, int line, int column, FieldType type, BigDecimal number) {
        if (number.stripTrailingZeros().precision() > MOST_DIGITS) {
            sheet.inlineString(line, column, number.toPlainString());
            return;
        }
        sheet.value(line, column, type instanceof Numeric.Percent ? number.movePointLeft(2) : number);
        String format = format(type, Math.max(0, number.scale()));
        if (!format.isEmpty()) {
            sheet.style(line, column).format(format).set();
        }
    }

    private static String format(FieldType type, int digits) {
        return switch (type) {
            case Numeric.Money money -> "#,##0" + decimals(java.util.Currency.getInstance(money.currency())
                    .getDefaultFractionDigits()) + "\" " + money.currency() + "\"";
            case Numeric.Percent percent -> "0" + decimals(digits) + "%";
            default -> "";
        };
    }

    private static String decimals(int digits) {
        return digits <= 0 ? "" : "." + "0".repeat(digits);
    }

    private static void text(Worksheet sheet, int line, int column, String text) {
        sheet.inlineString(line, column, text.length() <= LONGEST_TEXT ? text
                : text.substring(0, LONGEST_TEXT - CUT.length()) + CUT);
    }
}
