package org.pressboard.intake;

import java.util.HexFormat;
import java.util.stream.Collectors;

/**
 * Bytes that mean nothing in the encoding of a file, as they stand in its text: each a half of a surrogate pair, which
 * no decoder gives alone. So they are told from U+FFFD, which is a character like any other.
 */
final class BadBytes {

    private static final char FIRST = '\uDC00';
    private static final char LAST = '\uDCFF';
    private static final HexFormat HEX = HexFormat.of().withUpperCase();

    private BadBytes() {
    }

    static char mark(byte bad) {
        return (char) (FIRST + (bad & 0xFF));
    }

    static boolean isIn(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (isMark(text, i)) {
                return true;
            }
        }
        return false;
    }

    private static boolean isMark(String text, int at) {
        char each = text.charAt(at);
        return each >= FIRST && each <= LAST && (at == 0 || !Character.isHighSurrogate(text.charAt(at - 1)));
    }

    /** The bad bytes of a text as people write bytes: {@code 81 FC}. */
    static String written(String text) {
        return text.chars().filter(each -> each >= FIRST && each <= LAST).limit(8)
                .mapToObj(each -> HEX.toHexDigits((byte) (each - FIRST))).collect(Collectors.joining(" "));
    }

    /** The text with the usual stand-in for what cannot be read. */
    static String shown(String text) {
        if (!isIn(text)) {
            return text;
        }
        StringBuilder shown = new StringBuilder(text);
        for (int i = 0; i < text.length(); i++) {
            if (isMark(text, i)) {
                shown.setCharAt(i, '\uFFFD');
            }
        }
        return shown.toString();
    }
}
