package org.pressboard.value;

import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;
import org.pressboard.table.FieldType;

/**
 * The form of values for people of a language: numbers grouped, dates with the month as a word, as the language
 * writes them (patterns of the Unicode CLDR, as the JDK ships them). Yes and no are words of the message bundles
 * and are given from there. Not for use by several threads at once.
 */
public final class WrittenForm {

    private final NumberFormat numbers;
    private final DateTimeFormatter dates;
    private final DateTimeFormatter moments;
    private final DateTimeFormatter momentsToTheSecond;
    private final String yes;
    private final String no;

    public WrittenForm(Locale language, String yes, String no) {
        this.numbers = NumberFormat.getNumberInstance(language);
        this.dates = DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM).withLocale(language);
        this.moments = DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
                .withLocale(language);
        this.momentsToTheSecond = DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.MEDIUM)
                .withLocale(language);
        this.yes = yes;
        this.no = no;
    }

    public String write(FieldType type, Value value) {
        return switch (value) {
            case Value.Text text -> text.text();
            case Value.Whole whole when type instanceof FieldType.WholeNumber(boolean grouped) && !grouped ->
                    Long.toString(whole.number());
            case Value.Whole whole -> count(whole.number());
            case Value.Decimal decimal -> decimal(decimal.number(), type);
            case Value.YesNo yesNo -> yesNo.yes() ? yes : no;
            case Value.Date date -> dates.format(date.day());
            case Value.Moment moment -> moment(moment.at());
        };
    }

    /** With its seconds where it has some. */
    private String moment(LocalDateTime at) {
        return (at.getSecond() == 0 && at.getNano() == 0 ? moments : momentsToTheSecond).format(at);
    }

    /** A whole number with its groups: {@code 3,376}. */
    public String count(long number) {
        numbers.setMinimumFractionDigits(0);
        return numbers.format(number);
    }

    /** All its digits, up to those of the field, and none that it does not have. */
    private String decimal(BigDecimal number, FieldType type) {
        int own = Math.max(0, number.scale());
        int digits = type instanceof FieldType.Decimal decimal ? Math.min(own, decimal.digits()) : own;
        numbers.setMaximumFractionDigits(digits);
        numbers.setMinimumFractionDigits(digits);
        return numbers.format(number);
    }
}
