package org.pressboard.signin;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;

/**
 * Tells people who are not signed in apart by their browsers, each of which keeps a sealed name once its user has sent
 * something. Whoever empties their browser is somebody new.
 */
@Component
public class Browsers {

    private static final String COOKIE = "pressboard-browser";
    private static final String PREFIX = "browser:";
    private static final Pattern NAME = Pattern.compile("[0-9a-f-]{36}");

    private final Seal seal;

    Browsers(Seal seal) {
        this.seal = seal;
    }

    /** Whoever the request is from: the address of who is signed in, else the browser's name; empty: it has none yet. */
    public String sender(HttpServletRequest request) {
        SignedIn current = SignedIn.current();
        return current != null ? current.getUsername() : known(request).map(PREFIX::concat).orElse("");
    }

    /** The same; a browser that has no name gets one. */
    public String sender(HttpServletRequest request, HttpServletResponse response) {
        String sender = sender(request);
        if (!sender.isEmpty()) {
            return sender;
        }
        String name = UUID.randomUUID().toString();
        response.addHeader(HttpHeaders.SET_COOKIE, ResponseCookie.from(COOKIE, seal.on(name)).httpOnly(true).sameSite("Lax")
                .secure(request.isSecure()).path("/").maxAge(Duration.ofDays(365)).build().toString());
        return PREFIX + name;
    }

    private Optional<String> known(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie == null ? Optional.empty()
                : seal.check(cookie.getValue()).filter(name -> NAME.matcher(name).matches());
    }
}
