package org.pressboard.value;

import java.util.regex.Pattern;

/**
 * What becomes of texts in a file that may be opened with a spreadsheet, which takes some for formulas and carries them
 * out (OWASP, "CSV Injection").
 */
public enum SpreadsheetCells {
    /** A text that begins like a formula gets an apostrophe before it, unless it is a number. */
    HARMLESS,
    /** Texts are as they are. */
    BARE;

    /** How formulas begin; the same in Java and in PostgreSQL. */
    public static final String FORMULA = "^[=+@\\t\\r-]";

    /** What begins so and is but a number. */
    public static final String NUMBER = "^[+-]?[0-9]+([.,][0-9]+)*$";

    private static final Pattern IS_FORMULA = Pattern.compile(FORMULA);
    private static final Pattern IS_NUMBER = Pattern.compile(NUMBER);

    public String write(String text) {
        return switch (this) {
            case BARE -> text;
            case HARMLESS -> IS_FORMULA.matcher(text).find() && !IS_NUMBER.matcher(text).matches() ? "'" + text : text;
        };
    }
}
