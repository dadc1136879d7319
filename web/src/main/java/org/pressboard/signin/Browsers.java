package org.pressboard.signin;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import org.pressboard.catalog.Catalog;
import org.pressboard.grant.Visitor;
import org.pressboard.visit.Caller;
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
    private final Catalog catalog;

    Browsers(Seal seal, Catalog catalog) {
        this.seal = seal;
        this.catalog = catalog;
    }

    /** Whoever is not signed in as one of their own, where a table of the site tells them apart and they have sent something. */
    Optional<Visitor> visitor(HttpServletRequest request) {
        // most have sent nothing, and the catalog is none of theirs
        return known(request).filter(name -> catalog.published().countsBrowsers()).map(name -> Visitor.in(PREFIX + name));
    }

    /** The visitor as they send a row; whoever is not signed in gets a name where they are told apart by it. */
    public Visitor sending(Visitor visitor, boolean areTold, HttpServletRequest request, HttpServletResponse response) {
        return areTold && visitor.kind() == Visitor.Kind.ANYONE ? Visitor.in(sender(request, response)) : visitor;
    }

    /**
     * Whoever the request is from: the address of who is signed in or stood in for, else the browser's name; empty: it has
     * none yet.
     */
    public String sender(HttpServletRequest request) {
        Caller caller = Caller.of(request);
        return caller.who() == null ? known(request).map(PREFIX::concat).orElse("")
                : Objects.requireNonNullElse(caller.visitor().email(), caller.who().email());
    }

    /** The same; a browser that has no name gets one. */
    public String sender(HttpServletRequest request, HttpServletResponse response) {
        String sender = sender(request);
        if (!sender.isEmpty()) {
            return sender;
        }
        String name = UUID.randomUUID().toString();
        request.setAttribute(COOKIE, name);
        response.addHeader(HttpHeaders.SET_COOKIE, ResponseCookie.from(COOKIE, seal.on(name)).httpOnly(true).sameSite("Lax")
                .secure(request.isSecure()).path("/").maxAge(Duration.ofDays(365)).build().toString());
        return PREFIX + name;
    }

    /** From before, or by this request. */
    private Optional<String> known(HttpServletRequest request) {
        if (request.getAttribute(COOKIE) instanceof String given) {
            return Optional.of(given);
        }
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie == null ? Optional.empty()
                : seal.check(cookie.getValue()).filter(name -> NAME.matcher(name).matches());
    }
}
