package org.pressboard.catalog;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * What holds for the whole site: its name, and the language in which its pages speak, write and sort.
 *
 * @param publicAddress the address under which the world knows it, such as {@code https://orchard.example}; empty while
 *                      that is not said
 * @param signUp        who may become a member
 * @param zone          the time zone by which its days begin and its times are written
 * @param foot          what stands at the foot of each page, in the owner's own words; empty: nothing
 */
public record Site(String name, String languageTag, String publicAddress, SignUp signUp, ZoneId zone, String foot) {

    /** Who may become a member: anybody with an e-mail address, those who are invited or listed, or nobody for now. */
    public enum SignUp { OPEN, INVITED, CLOSED }

    /** The languages in which the visitors' pages can speak. */
    public static final List<String> LANGUAGES = List.of("en", "en-GB", "de");

    public static final int LONGEST_FOOT = 500;

    private static final Pattern ADDRESS = Pattern.compile("https?://[a-zA-Z0-9.-]+(:[0-9]{1,5})?");

    public Site {
        if (name.isBlank() || !LANGUAGES.contains(languageTag) || !isAddress(publicAddress)) {
            throw new IllegalArgumentException("A site needs a name, one of the languages " + LANGUAGES
                    + ", and an address or none");
        }
    }

    public Site(String name, String languageTag, String publicAddress, SignUp signUp, ZoneId zone) {
        this(name, languageTag, publicAddress, signUp, zone, "");
    }

    public Site(String name, String languageTag) {
        this(name, languageTag, "", SignUp.INVITED, ZoneId.systemDefault());
    }

    /** The same with these words at the foot of its pages. */
    public Site withFoot(String words) {
        return new Site(name, languageTag, publicAddress, signUp, zone, words);
    }

    /** The same with others who may become a member. */
    public Site openTo(SignUp others) {
        return new Site(name, languageTag, publicAddress, others, zone, foot);
    }

    /** Whether it can be a site's address: nothing, or scheme, host and perhaps port. */
    public static boolean isAddress(String text) {
        return text.isEmpty() || ADDRESS.matcher(text).matches();
    }

    public Locale language() {
        return Locale.forLanguageTag(languageTag);
    }
}
