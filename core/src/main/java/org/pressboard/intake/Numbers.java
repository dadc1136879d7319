package org.pressboard.intake;

import java.math.BigDecimal;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.Value;

/** Reads numbers as files write them. */
final class Numbers {

    private static final int MOST_DIGITS = 18;
    private static final int MOST_CHARACTERS = 60;

    private Numbers() {
    }

    /** A whole number without grouping. A leading zero makes it a code, not a number: 00501 must stay 00501. */
    static @Nullable Value whole(String text) {
        int length = text.length();
        char first = text.charAt(0);
        int start = first == '-' || first == '+' ? 1 : 0;
        int digits = length - start;
        if (digits < 1 || digits > MOST_DIGITS || (text.charAt(start) == '0' && digits > 1)) {
            return null;
        }
        for (int i = start; i < length; i++) {
            if (!isDigit(text.charAt(i))) {
                return null;
            }
        }
        return Value.of(Long.parseLong(text));
    }

    /** A number with a decimal mark, groups of three before it, and an exponent, each where wanted. */
    static @Nullable Value decimal(String text, char mark, char group) {
        char first = text.charAt(0);
        if (text.length() > MOST_CHARACTERS || !(isDigit(first) || first == '-' || first == '+' || first == mark)) {
            return null;
        }
        String plain = withoutGroups(text, mark, group);
        return plain == null || digitsBefore(plain, mark) > MOST_DIGITS ? null : parse(plain.replace(mark, '.'));
    }

    /** More digits than amounts have are those of a code. */
    private static int digitsBefore(String plain, char mark) {
        int end = plain.indexOf(mark) < 0 ? plain.length() : plain.indexOf(mark);
        return (int) plain.chars().limit(end).filter(each -> isDigit((char) each)).count();
    }

    /**
     * Whether a number that the text stands for is written otherwise: {@code +7}, {@code -0}, {@code .5}, {@code 5.},
     * {@code 12E4} may be a telephone number, a sign, a code.
     */
    static boolean isRewritten(String text, Value value) {
        boolean isZero = value.compareWith(Value.of(0L)) == 0;
        return text.charAt(0) == '+' || (text.charAt(0) == '-' && (isZero || !isDigit(text.charAt(1))))
                || !isDigit(text.charAt(text.length() - 1)) || !isDigit(text.charAt(text.charAt(0) == '-' ? 1 : 0))
                || text.indexOf('e') >= 0 || text.indexOf('E') >= 0;
    }

    private static @Nullable Value parse(String plain) {
        int sign = plain.charAt(0) == '-' || plain.charAt(0) == '+' ? 1 : 0;
        boolean isCode = plain.length() > sign + 1 && plain.charAt(sign) == '0' && isDigit(plain.charAt(sign + 1));
        if (isCode) {
            return null;
        }
        try {
            BigDecimal number = new BigDecimal(plain);
            return Math.abs((long) number.scale()) > 100 ? null : Value.of(number);
        } catch (NumberFormatException notANumber) {
            return null;
        }
    }

    /** The text without its grouping marks, or null when they do not part it in threes before the decimal mark. */
    private static @Nullable String withoutGroups(String text, char mark, char group) {
        int firstGroup = text.indexOf(group);
        if (firstGroup < 0) {
            return text;
        }
        int end = text.indexOf(mark) < 0 ? text.length() : text.indexOf(mark);
        int start = isDigit(text.charAt(0)) ? 0 : 1;
        boolean inThrees = firstGroup > start && firstGroup - start <= 3 && text.lastIndexOf(group) < end;
        for (int i = firstGroup; inThrees && i < end; i++) {
            inThrees = ((i - firstGroup) % 4 == 0) == (text.charAt(i) == group);
        }
        return inThrees && (end - firstGroup) % 4 == 0 ? text.replace(String.valueOf(group), "") : null;
    }

    static boolean isDigit(char character) {
        return character >= '0' && character <= '9';
    }
}
