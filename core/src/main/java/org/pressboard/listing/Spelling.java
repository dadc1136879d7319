package org.pressboard.listing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.value.Folding;

/**
 * Words that are nearly what somebody typed: those that so few letters put in, left out, changed or swapped make of it (F. J.
 * Damerau, "A technique for computer detection and correction of spelling errors", CACM 7(3), 1964).
 */
public final class Spelling {

    /** Of shorter words, too many others are nearly the same. */
    public static final int SHORTEST = 4;

    private static final int LETTERS_FOR_A_SECOND = 7;
    private static final int LONGEST = 40;
    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}\\p{M}]+(?:['’-][\\p{L}\\p{N}\\p{M}]+)*");

    private Spelling() {
    }

    /** The words of a text, as they are written. */
    public static List<String> words(String text) {
        List<String> words = new ArrayList<>();
        Matcher word = WORD.matcher(text);
        while (word.find()) {
            words.add(word.group());
        }
        return words;
    }

    /**
     * Those of the texts' words that are nearly the one, but not it, the nearest first; of those as near, the one that is
     * there more often. Each as it is written most.
     */
    public static List<String> near(String word, List<String> texts, int most) {
        String wanted = Folding.fold(word);
        if (wanted.length() < SHORTEST || wanted.length() > LONGEST) {
            return List.of();
        }
        int allowed = wanted.length() < LETTERS_FOR_A_SECOND ? 1 : 2;
        Map<String, Integer> distances = new LinkedHashMap<>();
        Map<String, Map<String, Integer>> written = new LinkedHashMap<>();
        for (String text : texts) {
            for (String other : words(text)) {
                String folded = Folding.fold(other);
                if (Math.abs(folded.length() - wanted.length()) <= allowed && !folded.equals(wanted)
                        && distances.computeIfAbsent(folded, each -> distance(wanted, each)) <= allowed) {
                    written.computeIfAbsent(folded, each -> new LinkedHashMap<>()).merge(other, 1, Integer::sum);
                }
            }
        }
        return written.entrySet().stream().sorted(Comparator.<Map.Entry<String, Map<String, Integer>>>comparingInt(each ->
                        distances.getOrDefault(each.getKey(), allowed)).thenComparing(each ->
                        -each.getValue().values().stream().mapToInt(Integer::intValue).sum()))
                .limit(most).map(each -> usual(each.getValue())).toList();
    }

    private static String usual(Map<String, Integer> written) {
        return written.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
    }

    /** How many letters are put in, left out, changed, or swapped with the next. */
    static int distance(String one, String other) {
        int[] beforeLast = new int[other.length() + 1];
        int[] last = new int[other.length() + 1];
        for (int j = 0; j <= other.length(); j++) {
            last[j] = j;
        }
        for (int i = 1; i <= one.length(); i++) {
            int[] now = new int[other.length() + 1];
            now[0] = i;
            for (int j = 1; j <= other.length(); j++) {
                int change = one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1;
                now[j] = Math.min(Math.min(now[j - 1], last[j]) + 1, last[j - 1] + change);
                boolean isSwapped = i > 1 && j > 1 && one.charAt(i - 1) == other.charAt(j - 2) && one.charAt(i - 2) == other.charAt(j - 1);
                if (isSwapped) {
                    now[j] = Math.min(now[j], beforeLast[j - 2] + 1);
                }
            }
            beforeLast = last;
            last = now;
        }
        return last[other.length()];
    }
}
