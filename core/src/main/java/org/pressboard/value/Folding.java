package org.pressboard.value;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.text.Normalizer2;
import com.ibm.icu.util.ULocale;
import java.util.regex.Pattern;

/**
 * Texts as searching compares them: blind to upper and lower case, to accents, and to letters that are written in two
 * ways, so that "arpad" finds "Árpád" and "strasse" finds "Straße". The database folds by the same rule
 * ({@code hosted.folded}); the two change together.
 *
 * <p>The steps: compatibility decomposition without the marks that people leave out (Unicode Standard Annex 15), upper
 * and then lower case in full (Unicode chapter 3.13), letters that Unicode does not take apart, composition again.
 */
public final class Folding {

    /** Accents of Latin, Greek and Cyrillic letters, and the points of Hebrew and Arabic; no vowels of other scripts. */
    private static final Pattern MARKS = Pattern.compile(
            "[\u0300-\u036f\u0591-\u05bd\u064b-\u065f\u0670\u1ab0-\u1aff\u1dc0-\u1dff\u20d0-\u20ff\ufe20-\ufe2f]+");

    private static final String SINGLE = "ςøłđðħŧ’";
    private static final String FOLDED = "σolddht'";

    private static final Normalizer2 APART = Normalizer2.getNFKDInstance();
    private static final Normalizer2 TOGETHER = Normalizer2.getNFKCInstance();

    private Folding() {
    }

    /** The text as it is compared; folding it again changes nothing. */
    public static String fold(String text) {
        return isAscii(text) ? asciiLower(text) : foldLetters(text);
    }

    private static boolean isAscii(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) >= 0x80) {
                return false;
            }
        }
        return true;
    }

    private static String asciiLower(String text) {
        char[] lower = text.toCharArray();
        for (int i = 0; i < lower.length; i++) {
            if (lower[i] >= 'A' && lower[i] <= 'Z') {
                lower[i] += 'a' - 'A';
            }
        }
        return new String(lower);
    }

    private static String foldLetters(String text) {
        String bare = MARKS.matcher(APART.normalize(text)).replaceAll("");
        String lower = UCharacter.toLowerCase(ULocale.ROOT, UCharacter.toUpperCase(ULocale.ROOT, bare));
        String spelt = lower.replace("ß", "ss").replace("æ", "ae").replace("œ", "oe").replace("þ", "th");
        StringBuilder folded = new StringBuilder(spelt.length());
        for (int i = 0; i < spelt.length(); i++) {
            int single = SINGLE.indexOf(spelt.charAt(i));
            folded.append(single < 0 ? spelt.charAt(i) : FOLDED.charAt(single));
        }
        return TOGETHER.normalize(folded);
    }
}
