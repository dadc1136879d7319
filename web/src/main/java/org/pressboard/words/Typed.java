package org.pressboard.words;

/** Texts as people type them, as they are kept. */
public final class Typed {

    private Typed() {
    }

    /** Without blanks around it and without the character that PostgreSQL keeps in no text, cut to so many characters. */
    public static String within(String text, int longest) {
        String plain = text.strip().replace("\0", "");
        return plain.substring(0, Math.min(plain.length(), longest));
    }
}
