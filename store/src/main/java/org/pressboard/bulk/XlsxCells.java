package org.pressboard.bulk;

import java.math.BigDecimal;
import java.time.temporal.ChronoUnit;
import java.util.Currency;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.text.LineBreakRendering;
import org.commonmark.renderer.text.TextContentRenderer;
import org.dhatim.fastexcel.Worksheet;
import org.pressboard.listing.Shown;
import org.pressboard.table.Field;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.value.Format;
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

    private static final Parser FORMATTED = Parser.builder().build();
    private static final TextContentRenderer IN_WORDS = TextContentRenderer.builder()
            .lineBreakRendering(LineBreakRendering.SEPARATE_BLOCKS).build();

    private final List<Column> columns;
    private final Locale language;

    private record Column(Field field, Format format) {
    }

    XlsxCells(Table table, List<Shown> looks, Locale language) {
        this.columns = looks.stream().map(look -> new Column(table.field(look.field()), look.format())).toList();
        this.language = language;
    }

    void write(Worksheet sheet, int line, Row row) {
        for (int i = 0; i < columns.size(); i++) {
            Column column = columns.get(i);
            Value value = row.get(column.field.key());
            if (value != null) {
                write(sheet, line, i, column, value);
            }
        }
    }

    private void write(Worksheet sheet, int line, int at, Column column, Value value) {
        switch (value) {
            case Value.Whole whole -> number(sheet, line, at, column, BigDecimal.valueOf(whole.number()));
            case Value.Decimal decimal -> number(sheet, line, at, column, decimal.number());
            case Value.YesNo yesNo -> sheet.value(line, at, yesNo.yes());
            case Value.Date date -> {
                sheet.value(line, at, date.day());
                sheet.style(line, at).format(days(column.format.days())).set();
            }
            case Value.Moment moment -> {
                sheet.value(line, at, moment.at());
                sheet.style(line, at).format(moments(column.format.days())).set();
            }
            case Value.Time time -> {
                double part = (time.at().toSecondOfDay() + time.at().get(java.time.temporal.ChronoField.NANO_OF_SECOND)
                        / (double) ChronoUnit.SECONDS.getDuration().toNanos()) / SECONDS_OF_A_DAY;
                sheet.value(line, at, part);
                sheet.style(line, at).format("hh:mm:ss").set();
            }
            case Value.Text text -> text(sheet, line, at, column, words(column.field, text.text()));
            case Value.Referred referred -> text(sheet, line, at, column, referred.heading());
            case Value.Attachment file -> text(sheet, line, at, column, file.name());
            case Value.Several several -> text(sheet, line, at, column, several.values().stream().map(XlsxCells::said)
                    .collect(Collectors.joining(column.format.between())));
        }
    }

    /** A cell cannot show parts of it bold: it has the words of formatted text, without the signs for it. */
    private static String words(Field field, String text) {
        return field.type() instanceof Textual.FormattedText ? IN_WORDS.render(FORMATTED.parse(text)) : text;
    }

    private static String said(Value value) {
        return switch (value) {
            case Value.Referred referred -> referred.heading();
            case Value.Attachment file -> file.name();
            default -> PlainForm.write(value);
        };
    }

    private static String days(Format.Days days) {
        return switch (days) {
            case USUAL, SHORT -> "yyyy-mm-dd";
            case LONG -> "dddd, d mmmm yyyy";
            case MONTH -> "mmmm yyyy";
            case YEAR -> "yyyy";
        };
    }

    /** Where only the month or the year is wanted, that is all. */
    private static String moments(Format.Days days) {
        return days == Format.Days.MONTH || days == Format.Days.YEAR ? days(days) : days(days) + " hh:mm:ss";
    }

    private static void number(Worksheet sheet, int line, int at, Column column, BigDecimal number) {
        if (number.stripTrailingZeros().precision() > MOST_DIGITS) {
            sheet.inlineString(line, at, number.toPlainString());
            return;
        }
        sheet.value(line, at, column.field.type() instanceof Numeric.Percent ? number.movePointLeft(2) : number);
        String format = numbers(column, Math.max(0, number.scale()));
        if (!format.isEmpty()) {
            sheet.style(line, at).format(format).set();
        }
    }

    /** @param digits how many the number has behind its mark */
    private static String numbers(Column column, int digits) {
        Integer wanted = column.format.digits();
        return switch (column.field.type()) {
            case Numeric.Money money -> "#,##0" + decimals(wanted != null ? wanted
                    : Currency.getInstance(money.currency()).getDefaultFractionDigits())
                    + (column.format.amounts() == Format.Amounts.NUMBER ? "" : "\" " + money.currency() + "\"");
            case Numeric.Percent percent -> "0" + decimals(wanted != null ? wanted : digits) + "%";
            default -> withUnit(column, wanted == null ? "" : "0" + decimals(wanted));
        };
    }

    private static String withUnit(Column column, String number) {
        String unit = column.field.unit().replace("\"", "");
        return unit.isEmpty() || column.format.bare() ? number
                : (number.isEmpty() ? "General" : number) + "\" " + unit + "\"";
    }

    private static String decimals(int digits) {
        return digits <= 0 ? "" : "." + "0".repeat(digits);
    }

    private void text(Worksheet sheet, int line, int at, Column column, String text) {
        String cased = column.format.cased(text, language);
        sheet.inlineString(line, at, cased.length() <= LONGEST_TEXT ? cased
                : cased.substring(0, LONGEST_TEXT - CUT.length()) + CUT);
    }
}
