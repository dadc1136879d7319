package org.pressboard.signin;

import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.pressboard.catalog.SiteSecret;
import org.springframework.stereotype.Component;

/** Seals texts that others keep for us, so that none comes back which we have not given (HMAC with SHA-256, RFC 2104). */
@Component
public class Seal {

    private static final String ALGORITHM = "HmacSHA256";

    private final SiteSecret secret;

    Seal(SiteSecret secret) {
        this.secret = secret;
    }

    /** The text with its seal behind it. */
    public String on(String text) {
        return text + "." + of(text);
    }

    /** The text that was sealed; empty where the seal is not ours. */
    public Optional<String> check(String sealed) {
        int end = sealed.lastIndexOf('.');
        return end > 0 && MessageDigest.isEqual(sealed.substring(end + 1).getBytes(StandardCharsets.UTF_8),
                of(sealed.substring(0, end)).getBytes(StandardCharsets.UTF_8)) ? Optional.of(sealed.substring(0, end))
                : Optional.empty();
    }

    private String of(String text) {
        try {
            Mac mac = Mac.getInstance(ALGORITHM);
            mac.init(new SecretKeySpec(secret.get().getBytes(StandardCharsets.UTF_8), ALGORITHM));
            return Base64.getUrlEncoder().withoutPadding().encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException | InvalidKeyException everyJdkHasIt) {
            throw new IllegalStateException(everyJdkHasIt);
        }
    }
}
