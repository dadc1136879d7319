package org.pressboard.value;

import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * How the values of one field are written in one place. What is not said here is as the kind of the field has it; what
 * a kind has no use for is let be.
 *
 * @param digits   so many digits behind the mark, neither more nor fewer; {@code null}: as many as there are
 * @param bare     without the field's unit
 * @param letters  in which case letters are
 * @param between  what stands between several values
 * @param linkText what a link says in place of its address; empty: the address
 * @param figures  a rating as its number, not as so many marks
 * @param whole    long texts to their end
 */
public record Format(@Nullable Integer digits, boolean bare, Days days, Letters letters, Amounts amounts, String between,
                     String linkText, Pictures pictures, boolean figures, boolean whole) {

    /** As the kind of the field has it. */
    public static final Format USUAL = new Format(null, false, Days.USUAL, Letters.AS_THEY_ARE, Amounts.SIGN, ", ", "",
            Pictures.SMALL, false, false);

    public static final int MOST_DIGITS = 10;
    public static final int LONGEST_TEXT = 60;

    /** How dates are written: 9 Mar 2024; 09/03/2024; Saturday, 9 March 2024; March 2024; 2024. */
    public enum Days { USUAL, SHORT, LONG, MONTH, YEAR }

    /** In which case letters are. */
    public enum Letters { AS_THEY_ARE, UPPER, LOWER, CAPITAL }

    /** What of the currency stands with an amount: £12.50; GBP 12.50; 12.50. */
    public enum Amounts { SIGN, CODE, NUMBER }

    /** How large pictures are. */
    public enum Pictures { SMALL, MIDDLE, LARGE }

    public Format {
        // what was kept before there was such a thing to say has it not said
        days = Objects.requireNonNullElse(days, Days.USUAL);
        letters = Objects.requireNonNullElse(letters, Letters.AS_THEY_ARE);
        amounts = Objects.requireNonNullElse(amounts, Amounts.SIGN);
        between = Objects.requireNonNullElse(between, ", ");
        linkText = Objects.requireNonNullElse(linkText, "");
        pictures = Objects.requireNonNullElse(pictures, Pictures.SMALL);
        if (digits != null && (digits < 0 || digits > MOST_DIGITS)) {
            throw new IllegalArgumentException("No number has " + digits + " digits behind the mark");
        }
    }

    public Format withDigits(@Nullable Integer other) {
        return new Format(other, bare, days, letters, amounts, between, linkText, pictures, figures, whole);
    }

    public Format bare(boolean isBare) {
        return new Format(digits, isBare, days, letters, amounts, between, linkText, pictures, figures, whole);
    }

    public Format with(Days other) {
        return new Format(digits, bare, other, letters, amounts, between, linkText, pictures, figures, whole);
    }

    public Format with(Letters other) {
        return new Format(digits, bare, days, other, amounts, between, linkText, pictures, figures, whole);
    }

    public Format with(Amounts other) {
        return new Format(digits, bare, days, letters, other, between, linkText, pictures, figures, whole);
    }

    public Format between(String other) {
        return new Format(digits, bare, days, letters, amounts, other, linkText, pictures, figures, whole);
    }

    public Format linkText(String other) {
        return new Format(digits, bare, days, letters, amounts, between, other, pictures, figures, whole);
    }

    public Format with(Pictures other) {
        return new Format(digits, bare, days, letters, amounts, between, linkText, other, figures, whole);
    }

    public Format figures(boolean areFigures) {
        return new Format(digits, bare, days, letters, amounts, between, linkText, pictures, areFigures, whole);
    }

    public Format whole(boolean isWhole) {
        return new Format(digits, bare, days, letters, amounts, between, linkText, pictures, figures, isWhole);
    }

    /** The text with its letters in the case wanted. */
    public String cased(String text, Locale language) {
        return switch (letters) {
            case AS_THEY_ARE -> text;
            case UPPER -> text.toUpperCase(language);
            case LOWER -> text.toLowerCase(language);
            case CAPITAL -> text.isEmpty() ? text : text.substring(0, text.offsetByCodePoints(0, 1)).toUpperCase(language)
                    + text.substring(text.offsetByCodePoints(0, 1));
        };
    }
}
