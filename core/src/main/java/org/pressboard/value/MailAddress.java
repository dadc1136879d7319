package org.pressboard.value;

import com.ibm.icu.text.SpoofChecker;
import java.net.IDN;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * E-mail addresses as one person's, however they are written: without what cannot be seen, in the letters that are meant by
 * those that look alike by compatibility (NFKC, Unicode Standard Annex 15), in lower case, without a dot behind the host.
 */
public final class MailAddress {

    private static final Pattern AROUND = Pattern.compile("^[\\s\\p{Cntrl}\\p{Z}]+|[\\s\\p{Cntrl}\\p{Z}]+$");

    /** What is not seen: marks of direction, joiners, blanks of no width and the like (general category Cf, and fillers). */
    private static final Pattern UNSEEN = Pattern.compile("[\\p{Cf}\\u034F\\u115F\\u1160\\u17B4\\u17B5\\u3164\\uFFA0\\uFE00-\\uFE0F]+");
    private static final Pattern ASCII = Pattern.compile("\\p{ASCII}*");

    /** Unicode's security mechanisms (UTS 39): what mixes scripts as no language does is not an address to be trusted. */
    private static final SpoofChecker SPOOFS = new SpoofChecker.Builder()
            .setChecks(SpoofChecker.RESTRICTION_LEVEL | SpoofChecker.INVISIBLE)
            .setRestrictionLevel(SpoofChecker.RestrictionLevel.HIGHLY_RESTRICTIVE).build();

    private MailAddress() {
    }

    /** The one form of an address; a text that is none may come out as anything. */
    public static String normal(String text) {
        String plain = Normalizer.normalize(AROUND.matcher(seen(text)).replaceAll(""), Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT);
        int at = plain.lastIndexOf('@');
        return at < 0 ? plain : plain.substring(0, at + 1) + host(plain.substring(at + 1));
    }

    private static String host(String host) {
        String bare = host.replaceAll("\\.+$", "");
        try {
            return ASCII.matcher(bare).matches() ? bare : IDN.toASCII(bare, IDN.USE_STD3_ASCII_RULES).toLowerCase(Locale.ROOT);
        } catch (IllegalArgumentException noHost) {
            return bare;
        }
    }

    /** As it is typed, but without what cannot be seen. */
    public static String seen(String text) {
        return UNSEEN.matcher(text).replaceAll("");
    }

    /** The same as the box that letters arrive in: what stands behind a plus tells letters of one person apart. */
    public static String box(String text) {
        String normal = normal(text);
        return normal.replaceFirst("\\+[^@]*(?=@)", "");
    }

    /** Whether people who read an address could take it for another: a part of it mixes scripts, or looks like plain letters. */
    public static boolean isMisleading(String text) {
        return Arrays.stream(shown(normal(text)).split("[@.+_-]+")).filter(part -> !ASCII.matcher(part).matches())
                .anyMatch(part -> SPOOFS.failsChecks(part) || ASCII.matcher(SPOOFS.getSkeleton(part)).matches());
    }

    private static String shown(String normal) {
        int at = normal.lastIndexOf('@');
        return at < 0 ? normal : normal.substring(0, at + 1) + IDN.toUnicode(normal.substring(at + 1));
    }
}
