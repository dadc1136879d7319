package org.pressboard.value;

import com.ibm.icu.number.LocalizedNumberFormatter;
import com.ibm.icu.number.NumberFormatter;
import com.ibm.icu.number.NumberFormatter.UnitWidth;
import com.ibm.icu.number.Precision;
import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Currency;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The form of values for people of a language: numbers grouped, dates with the month as a word, as the language
 * writes them (patterns of the Unicode CLDR, as the JDK ships them). Yes and no are words of the message bundles
 * and are given from there. How a kind of field is written, its type knows. Not for use by several threads at once.
 */
public final class WrittenForm {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    /** Working one out takes as long as hundreds of amounts written by it. */
    private static final Map<AmountForm, LocalizedNumberFormatter> AMOUNTS = new ConcurrentHashMap<>();

    private record AmountForm(Locale language, Currency currency, boolean isCoded, int digits) {
    }

    private final Locale language;
    private final NumberFormat numbers;
    private final NumberFormat percents;
    private final DateTimeFormatter dates;
    private final DateTimeFormatter moments;
    private final DateTimeFormatter momentsToTheSecond;
    private final DateTimeFormatter times;
    private final DateTimeFormatter timesToTheSecond;
    private final String yes;
    private final String no;
    private final Format format;

    public WrittenForm(Locale language, String yes, String no) {
        this(language, yes, no, Format.USUAL);
    }

    private WrittenForm(Locale language, String yes, String no, Format format) {
        this.language = language;
        this.format = format;
        this.numbers = NumberFormat.getNumberInstance(language);
        this.percents = NumberFormat.getPercentInstance(language);
        this.dates = days(format.days(), language);
        this.moments = moments(format.days(), FormatStyle.SHORT).withLocale(language);
        this.momentsToTheSecond = moments(format.days(), FormatStyle.MEDIUM).withLocale(language);
        this.times = DateTimeFormatter.ofLocalizedTime(FormatStyle.SHORT).withLocale(language);
        this.timesToTheSecond = DateTimeFormatter.ofLocalizedTime(FormatStyle.MEDIUM).withLocale(language);
        this.yes = yes;
        this.no = no;
    }

    /** The same with everything written so. */
    public WrittenForm as(Format other) {
        return other.equals(format) ? this : new WrittenForm(language, yes, no, other);
    }

    public Format format() {
        return format;
    }

    private static DateTimeFormatter days(Format.Days days, Locale language) {
        return switch (days) {
            case USUAL -> DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM).withLocale(language);
            case SHORT -> DateTimeFormatter.ofLocalizedDate(FormatStyle.SHORT).withLocale(language);
            case LONG -> DateTimeFormatter.ofLocalizedDate(FormatStyle.FULL).withLocale(language);
            case MONTH -> DateTimeFormatter.ofLocalizedPattern("yMMMM").withLocale(language);
            case YEAR -> DateTimeFormatter.ofLocalizedPattern("y").withLocale(language);
        };
    }

    /** Where only the month or the year is wanted, that is all. */
    private static DateTimeFormatter moments(Format.Days days, FormatStyle time) {
        return switch (days) {
            case USUAL -> DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, time);
            case SHORT -> DateTimeFormatter.ofLocalizedDateTime(FormatStyle.SHORT, time);
            case LONG -> DateTimeFormatter.ofLocalizedDateTime(FormatStyle.FULL, time);
            case MONTH -> DateTimeFormatter.ofLocalizedPattern("yMMMM");
            case YEAR -> DateTimeFormatter.ofLocalizedPattern("y");
        };
    }

    /** A whole number with its groups: {@code 3,376}. */
    public String count(long number) {
        numbers.setMinimumFractionDigits(0);
        return numbers.format(number);
    }

    /** All its digits behind the mark, up to so many, and none that it does not have. */
    public String number(BigDecimal number, int mostDigits) {
        return written(numbers, number, digits(number, mostDigits));
    }

    private int digits(BigDecimal number, int most) {
        return Objects.requireNonNullElseGet(format.digits(), () -> Math.min(Math.max(0, number.scale()), most));
    }

    /** All its digits and no groups, as one types it. */
    public String ungrouped(BigDecimal number) {
        NumberFormat format = NumberFormat.getNumberInstance(language);
        format.setGroupingUsed(false);
        return written(format, number, Math.max(0, number.scale()));
    }

    /** 12.5 as {@code 12.5%}. */
    public String percent(BigDecimal number, int mostDigits) {
        return written(percents, number.divide(HUNDRED), digits(number, mostDigits));
    }

    /** With all its minor units, as many as ISO 4217 gives the currency. */
    public String money(BigDecimal amount, Currency currency) {
        return format.amounts() == Format.Amounts.NUMBER ? written(numbers, amount, minorUnits(currency))
                : AMOUNTS.computeIfAbsent(new AmountForm(language, currency, format.amounts() == Format.Amounts.CODE,
                        minorUnits(currency)), WrittenForm::made).format(amount).toString();
    }

    /** Of ICU, for the JDK leaves out the space that CLDR puts between a code and a number. */
    private static LocalizedNumberFormatter made(AmountForm form) {
        return NumberFormatter.withLocale(form.language)
                .unit(com.ibm.icu.util.Currency.fromJavaCurrency(form.currency))
                .unitWidth(form.isCoded ? UnitWidth.ISO_CODE : UnitWidth.SHORT)
                .precision(Precision.fixedFraction(form.digits));
    }

    private int minorUnits(Currency currency) {
        return Objects.requireNonNullElseGet(format.digits(), () -> Math.max(0, currency.getDefaultFractionDigits()));
    }

    private static String written(NumberFormat format, BigDecimal number, int digits) {
        format.setMaximumFractionDigits(digits);
        format.setMinimumFractionDigits(digits);
        return format.format(number);
    }

    public String date(LocalDate day) {
        return dates.format(day);
    }

    /** With its seconds where it has some. */
    public String moment(LocalDateTime at) {
        return (hasSeconds(at.toLocalTime()) ? momentsToTheSecond : moments).format(at);
    }

    /** With its seconds where it has some. */
    public String time(LocalTime at) {
        return (hasSeconds(at) ? timesToTheSecond : times).format(at);
    }

    private static boolean hasSeconds(LocalTime at) {
        return at.getSecond() != 0 || at.getNano() != 0;
    }

    public String yesNo(boolean isYes) {
        return isYes ? yes : no;
    }
}
