package org.pressboard.catalog;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** SHA-256 digests, as hexadecimal digits, and texts by chance of which a digest is kept. */
public final class Digests {

    private static final int TOKEN_BYTES = 24;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Digests() {
    }

    /** Letters, digits and the like that nobody guesses (192 bits). */
    public static String token() {
        byte[] bytes = new byte[TOKEN_BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    public static String sha256(String text) {
        return written(begin(), text.getBytes(StandardCharsets.UTF_8));
    }

    /** Begins a digest of what comes in pieces. */
    public static MessageDigest begin() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException everyJdkHasIt) {
            throw new IllegalStateException(everyJdkHasIt);
        }
    }

    /** The digest with the last piece, which may be empty. */
    public static String written(MessageDigest digest, byte[] last) {
        return HexFormat.of().formatHex(digest.digest(last));
    }
}
