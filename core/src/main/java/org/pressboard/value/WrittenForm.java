package org.pressboard.value;

import java.math.BigDecimal;
import java.text.NumberFormat;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Currency;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/**
 * The form of values for people of a language: numbers grouped, dates with the month as a word, as the language
 * writes them (patterns of the Unicode CLDR, as the JDK ships them). Yes and no are words of the message bundles
 * and are given from there. How a kind of field is written, its type knows. Not for use by several threads at once.
 */
public final class WrittenForm {

    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private final Locale language;
    private final NumberFormat numbers;
    private final NumberFormat percents;
    private final Map<Currency, com.ibm.icu.text.NumberFormat> amounts = new HashMap<>();
    private final DateTimeFormatter dates;
    private final DateTimeFormatter moments;
    private final DateTimeFormatter momentsToTheSecond;
    private final DateTimeFormatter times;
    private final DateTimeFormatter timesToTheSecond;
    private final String yes;
    private final String no;

    public WrittenForm(Locale language, String yes, String no) {
        this.language = language;
        this.numbers = NumberFormat.getNumberInstance(language);
        this.percents = NumberFormat.getPercentInstance(language);
        this.dates = DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM).withLocale(language);
        this.moments = DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.SHORT)
                .withLocale(language);
        this.momentsToTheSecond = DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, FormatStyle.MEDIUM)
                .withLocale(language);
        this.times = DateTimeFormatter.ofLocalizedTime(FormatStyle.SHORT).withLocale(language);
        this.timesToTheSecond = DateTimeFormatter.ofLocalizedTime(FormatStyle.MEDIUM).withLocale(language);
        this.yes = yes;
        this.no = no;
    }

    /** A whole number with its groups: {@code 3,376}. */
    public String count(long number) {
        numbers.setMinimumFractionDigits(0);
        return numbers.format(number);
    }

    /** All its digits behind the mark, up to so many, and none that it does not have. */
    public String number(BigDecimal number, int mostDigits) {
        return written(numbers, number, Math.min(Math.max(0, number.scale()), mostDigits));
    }

    /** All its digits and no groups, as one types it. */
    public String ungrouped(BigDecimal number) {
        NumberFormat format = NumberFormat.getNumberInstance(language);
        format.setGroupingUsed(false);
        return written(format, number, Math.max(0, number.scale()));
    }

    /** 12.5 as {@code 12.5%}. */
    public String percent(BigDecimal number, int mostDigits) {
        return written(percents, number.divide(HUNDRED), Math.min(Math.max(0, number.scale()), mostDigits));
    }

    /** With all its minor units, as many as ISO 4217 gives the currency. */
    public String money(BigDecimal amount, Currency currency) {
        return amounts.computeIfAbsent(currency, this::amountsOf).format(amount);
    }

    /** Of ICU, for the JDK leaves out the space that CLDR puts between a code and a number. */
    private com.ibm.icu.text.NumberFormat amountsOf(Currency currency) {
        com.ibm.icu.text.NumberFormat format = com.ibm.icu.text.NumberFormat.getCurrencyInstance(language);
        format.setCurrency(com.ibm.icu.util.Currency.fromJavaCurrency(currency));
        int digits = Math.max(0, currency.getDefaultFractionDigits());
        format.setMaximumFractionDigits(digits);
        format.setMinimumFractionDigits(digits);
        return format;
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
