package org.pressboard.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.listing.ListingKey;
import org.pressboard.signin.Browsers;
import org.pressboard.signin.Seal;
import org.springframework.stereotype.Component;

/**
 * What those who are not signed in get for what they did, to take it back by. It is sealed, and good in the browser alone
 * that it was done in.
 */
@Component
public class Receipts {

    private static final Pattern FORM = Pattern.compile("([^.]+)\\.(\\d{1,18})\\.[A-Za-z0-9_-]+");

    private final Browsers browsers;
    private final Seal seal;

    Receipts(Browsers browsers, Seal seal) {
        this.browsers = browsers;
        this.seal = seal;
    }

    /** @param act what was done, with rows of that listing */
    public record Receipt(ListingKey listing, long act) {
    }

    /** As it stands in addresses; a browser that has no name gets one. */
    public String of(Receipt receipt, HttpServletRequest request, HttpServletResponse response) {
        return written(receipt, browsers.sender(request, response));
    }

    /** Empty where it is none, or another browser's. */
    public Optional<Receipt> read(String text, HttpServletRequest request) {
        Matcher parts = FORM.matcher(text);
        if (!parts.matches() || !ListingKey.isValid(parts.group(1))) {
            return Optional.empty();
        }
        Receipt receipt = new Receipt(new ListingKey(parts.group(1)), Long.parseLong(parts.group(2)));
        byte[] ours = written(receipt, browsers.sender(request)).getBytes(StandardCharsets.UTF_8);
        return MessageDigest.isEqual(ours, text.getBytes(StandardCharsets.UTF_8)) ? Optional.of(receipt) : Optional.empty();
    }

    private String written(Receipt receipt, String browser) {
        String told = receipt.listing() + "." + receipt.act();
        String sealed = seal.on(browser + "/" + told);
        return told + sealed.substring(sealed.lastIndexOf('.'));
    }
}
