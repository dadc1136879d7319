package org.pressboard.table;

import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pressboard.problem.Problem;

/**
 * How a text must look, put together by choosing: {@code T-} and then digits, five characters in all.
 *
 * @param begins   with what it begins; empty: anything
 * @param rest     what may stand behind that
 * @param shortest how many characters it has at least; {@code null}: any
 * @param longest  how many it has at most
 */
public record Shape(String begins, Characters rest, @Nullable Integer shortest, @Nullable Integer longest) {

    /** Which characters a text may have. */
    public enum Characters {
        ANY(".*"), DIGITS("[0-9]*"), LETTERS("\\p{L}*"), CAPITALS("\\p{Lu}*"), LETTERS_AND_DIGITS("[\\p{L}0-9]*");

        private final Pattern pattern;

        Characters(String pattern) {
            this.pattern = Pattern.compile(pattern, Pattern.DOTALL);
        }

        boolean allow(String text) {
            return pattern.matcher(text).matches();
        }
    }

    public static final Shape ANY = new Shape("", Characters.ANY, null, null);

    Optional<Problem> check(String text) {
        if (!text.startsWith(begins)) {
            return Optional.of(Problem.of("entry.begins", begins));
        }
        if (!rest.allow(text.substring(begins.length()))) {
            return Optional.of(Problem.of("entry.characters." + rest.name().toLowerCase(java.util.Locale.ROOT), begins));
        }
        int length = text.codePointCount(0, text.length());
        if (shortest != null && length < shortest) {
            return Optional.of(Problem.of("entry.too-short", shortest, length));
        }
        return longest != null && length > longest
                ? Optional.of(Problem.of("entry.too-long", longest, length)) : Optional.empty();
    }
}
