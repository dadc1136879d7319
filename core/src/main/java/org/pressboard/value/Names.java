package org.pressboard.value;

import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** Makes readable, plain names out of labels: {@code "Gepflückt am (Datum)"} becomes {@code gepflueckt_am_datum}. */
public final class Names {

    /** PostgreSQL keeps 63 bytes of a name; the rest is room for what index and policy names add. */
    static final int MOST_CHARACTERS = 40;

    private static final Pattern VALID = Pattern.compile("[a-z][a-z0-9_]{0,47}");

    private Names() {
    }

    /** Whether it can name a table or a field, and so a table or a column of the database. */
    public static boolean isValid(String name) {
        return VALID.matcher(name).matches();
    }

    public static String from(String label, String separator, String fallback) {
        String plain = Normalizer.normalize(spellOut(label.toLowerCase(Locale.ROOT)), Normalizer.Form.NFD)
                .replaceAll("\\p{M}+", "")
                .replaceAll("[^a-z0-9]+", separator);
        String trimmed = trim(plain, separator);
        String cut = trim(trimmed.substring(0, Math.min(trimmed.length(), MOST_CHARACTERS)), separator);
        if (cut.isEmpty()) {
            return fallback;
        }
        return Character.isDigit(cut.charAt(0)) ? fallback + separator + cut : cut;
    }

    /** The name itself, or with the lowest number behind it that makes it differ from the taken ones. */
    public static String unique(String name, String separator, Set<String> taken) {
        String candidate = name;
        for (int number = 2; taken.contains(candidate); number++) {
            candidate = name + separator + number;
        }
        return candidate;
    }

    private static String spellOut(String text) {
        return text.replace("ä", "ae").replace("ö", "oe").replace("ü", "ue").replace("ß", "ss")
                .replace("å", "aa").replace("ø", "oe").replace("æ", "ae").replace("œ", "oe").replace("ł", "l");
    }

    private static String trim(String text, String separator) {
        return text.replaceAll("^" + separator + "+|" + separator + "+$", "");
    }
}
