package org.pressboard.catalog;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 digests, as hexadecimal digits. */
public final class Digests {

    private Digests() {
    }

    static String sha256(String text) {
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
