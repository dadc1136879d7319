package org.pressboard.mail;

import java.util.regex.Pattern;

/**
 * A message to one person, in plain text.
 *
 * @param why for what it was written, as a code whose words stand in the message bundles
 */
public record Letter(String to, String subject, String body, Why why) {

    /** For what letters are written. */
    public enum Why { SIGN_IN, PASSWORD, INVITATION, SIGN_UP, ENTRY, NOTICE, DECISION }

    public static final int LONGEST_SUBJECT = 200;
    public static final int LONGEST_BODY = 20_000;

    /** What could make a second header, or a second recipient, of one. */
    private static final Pattern ADDRESS = Pattern.compile("[^\\s\\p{Cntrl}@<>,;:\"()\\[\\]\\\\]{1,64}@[^\\s\\p{Cntrl}@<>,;:\"()\\[\\]\\\\]{1,190}");
    private static final Pattern CONTROL = Pattern.compile("[\\p{Cntrl}\\u2028\\u2029]+");

    /** Line breaks in a subject become spaces; what is longer than can be sent is cut, and ends in an ellipsis. */
    public Letter {
        if (!isAddress(to)) {
            throw new IllegalArgumentException("Not an e-mail address");
        }
        subject = cut(CONTROL.matcher(subject).replaceAll(" ").strip(), LONGEST_SUBJECT);
        body = cut(body, LONGEST_BODY);
    }

    /** Whether letters can be sent there. */
    public static boolean isAddress(String text) {
        return ADDRESS.matcher(text).matches();
    }

    private static String cut(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest - 1) + "…";
    }
}
