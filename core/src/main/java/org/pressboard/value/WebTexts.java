package org.pressboard.value;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.Locale;
import java.util.regex.Pattern;

/** Tells texts that are addresses of mail or of the web. */
public final class WebTexts {

    /** The common shape of addresses, not all that RFC 5322 allows. */
    private static final Pattern EMAIL = Pattern.compile("[^\\s@\"<>(),;:\\\\]{1,64}@[^\\s@.]+(\\.[^\\s@.]+)+");

    private static final int LONGEST_EMAIL = 254;

    /** Longer ones lead nowhere: servers take 8,000 characters at most (common practice). */
    private static final int LONGEST_LINK = 4_000;

    private WebTexts() {
    }

    public static boolean isEmail(String text) {
        return text.indexOf('@') >= 1 && text.length() <= LONGEST_EMAIL && EMAIL.matcher(text).matches();
    }

    /** Whether it is an address that begins with {@code http} or {@code https} and names a host. */
    public static boolean isLink(String text) {
        if (!text.regionMatches(true, 0, "http", 0, 4) || text.length() > LONGEST_LINK) {
            return false;
        }
        try {
            URI address = new URI(text);
            String scheme = String.valueOf(address.getScheme()).toLowerCase(Locale.ROOT);
            return (scheme.equals("http") || scheme.equals("https")) && address.getHost() != null;
        } catch (URISyntaxException notAnAddress) {
            return false;
        }
    }
}
