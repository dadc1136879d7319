package org.pressboard.intake;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.pressboard.value.Value;

/** Reads texts, and those kinds of values that are texts of a certain shape. */
final class Texts {

    private static final Set<String> YES = Set.of("yes", "y", "true", "ja", "j", "wahr");
    private static final Set<String> NO = Set.of("no", "n", "false", "nein", "falsch");

    /** The common shape of addresses, not all that RFC 5322 allows. */
    private static final Pattern EMAIL = Pattern.compile("[^\\s@\"<>(),;:\\\\]{1,64}@[^\\s@.]+(\\.[^\\s@.]+)+");

    /** Longer ones lead nowhere: servers take 8,000 characters at most (common practice). */
    private static final int LONGEST_LINK = 4_000;

    private Texts() {
    }

    static Value any(String text) {
        return Value.of(text);
    }

    static @Nullable Value yesNo(String text) {
        if (text.length() > 8) {
            return null;
        }
        String word = text.toLowerCase(Locale.ROOT);
        if (YES.contains(word)) {
            return Value.of(true);
        }
        return NO.contains(word) ? Value.of(false) : null;
    }

    static @Nullable Value email(String text) {
        if (text.indexOf('@') < 1) {
            return null;
        }
        return text.length() <= 254 && EMAIL.matcher(text).matches() ? Value.of(text) : null;
    }

    static @Nullable Value link(String text) {
        if (!text.regionMatches(true, 0, "http", 0, 4) || text.length() > LONGEST_LINK) {
            return null;
        }
        try {
            URI address = new URI(text);
            String scheme = String.valueOf(address.getScheme()).toLowerCase(Locale.ROOT);
            boolean web = scheme.equals("http") || scheme.equals("https");
            return web && address.getHost() != null ? Value.of(text) : null;
        } catch (URISyntaxException notAnAddress) {
            return null;
        }
    }
}
