package org.pressboard.catalog;

import java.util.List;
import java.util.Locale;

/** What holds for the whole site: its name, and the language in which its pages speak, write and sort. */
public record Site(String name, String languageTag) {

    /** The languages in which the visitors' pages can speak. */
    public static final List<String> LANGUAGES = List.of("en", "en-GB", "de");

    public Site {
        if (name.isBlank() || !LANGUAGES.contains(languageTag)) {
            throw new IllegalArgumentException("A site needs a name and one of the languages " + LANGUAGES);
        }
    }

    public Locale language() {
        return Locale.forLanguageTag(languageTag);
    }
}
