package org.pressboard.intake;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.Value;

/**
 * How the texts of a column go with a reading.
 *
 * @param misfits  those that do not fit it
 * @param altered  those that fit, but would not be the same when written back: {@code +49} as the number 49
 * @param trimmed  how many have blanks around what is read, or are nothing but blanks
 * @param digits   the most digits behind the decimal mark
 * @param least    the least of the values that numbers and dates come to, by which a wrong reading shows; else null
 * @param greatest the greatest of them
 */
public record Fit(Found misfits, Found altered, long trimmed, int digits, @Nullable Value least,
                  @Nullable Value greatest) {

    /** A text of the column, and the line of the file on which its record begins. */
    public record Example(long line, String text) {

        private static final int LONGEST = 200;

        static Example of(long line, String text) {
            return new Example(line, shortened(text));
        }

        /** So much of a text as can be told. */
        static String shortened(String text) {
            return text.length() <= LONGEST ? text : text.substring(0, LONGEST) + "…";
        }
    }

    /** How many texts are meant, and the first of them. */
    public record Found(long count, List<Example> examples) {

        public static final Found NONE = new Found(0, List.of());

        public Found {
            examples = List.copyOf(examples);
        }
    }

    /** Every text stays as it is. */
    public static final Fit WHOLE = new Fit(Found.NONE, Found.NONE, 0, 0, null, null);

    /** Whether all texts fit, and come back as they are but for how such values are written. */
    public boolean isFaithful() {
        return misfits.count == 0 && altered.count == 0;
    }
}
