package org.pressboard.intake;

import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.util.List;

/**
 * How a file of separated values is written (RFC 4180, and the other delimiters and encodings in common use).
 *
 * @param top     how many lines stand above the headings, or above the first row where there are none
 * @param headed  whether the first record has the headings
 * @param closing whether each record ends with a delimiter behind which nothing comes
 */
public record Dialect(String encoding, char delimiter, int top, boolean headed, boolean closing) {

    /** The delimiters worth offering. */
    public static final List<Character> DELIMITERS = List.of(',', ';', '\t', '|', ':', ' ', '^');

    /** The encodings worth offering: those of Unicode, and what spreadsheets of Europe have written (by IANA name). */
    public static final List<String> ENCODINGS = List.of("UTF-8", "windows-1252", "ISO-8859-15", "windows-1250",
            "windows-1251", "x-MacRoman", "IBM850", "UTF-16LE", "UTF-16BE", "UTF-32LE", "UTF-32BE");

    /** Nobody writes a longer preface. */
    public static final int MOST_TOP = 1_000;

    public Dialect {
        if (top < 0 || top > MOST_TOP) {
            throw new IllegalArgumentException("No number of lines above the headings: " + top);
        }
    }

    /** Headings on the first line, and no more delimiters than values need. */
    public static Dialect of(String encoding, char delimiter) {
        return new Dialect(encoding, delimiter, 0, true, false);
    }

    /** Whether a file can be read so at all. */
    public static boolean canRead(String encoding, char delimiter) {
        try {
            return Charset.isSupported(encoding) && delimiter != '"' && delimiter != '\r' && delimiter != '\n'
                    && delimiter != 0;
        } catch (IllegalCharsetNameException unknown) {
            return false;
        }
    }

    Dialect withClosing(boolean ends) {
        return new Dialect(encoding, delimiter, top, headed, ends);
    }
}
