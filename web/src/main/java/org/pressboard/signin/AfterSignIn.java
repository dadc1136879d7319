package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.pressboard.catalog.Catalog;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.stereotype.Component;

/**
 * Where people go before and after they sign in. What they asked for is carried in the address of the sign-in, so that
 * nothing need be kept of those who never do; nor is anything kept of a try that failed.
 */
@Component
public class AfterSignIn implements AuthenticationEntryPoint, AuthenticationSuccessHandler,
        AuthenticationFailureHandler {

    /** The parameter that says where to go on. */
    static final String TO = "to";

    /** A place on this site: a path that cannot be taken for the address of another. */
    private static final Pattern PLACE = Pattern.compile("/(?![/\\\\])[\\x21-\\x7E&&[^\\\\]]{0,2000}|/");

    private final Catalog catalog;

    AfterSignIn(Catalog catalog) {
        this.catalog = catalog;
    }

    /** Whoever has to sign in first comes back to the page they asked for; who asked for a part of one is told. */
    @Override
    public void commence(HttpServletRequest request, HttpServletResponse response, AuthenticationException missing)
            throws IOException {
        if (request.getHeader("HX-Request") != null) {
            // a part of a page has no room for the sign-in
            response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
            return;
        }
        String query = request.getQueryString() == null ? "" : "?" + request.getQueryString();
        String asked = request.getRequestURI() + query;
        boolean isPage = request.getMethod().equals("GET") && String.valueOf(request.getHeader(HttpHeaders.ACCEPT)).contains(MediaType.TEXT_HTML_VALUE);
        response.sendRedirect(isPage && isPlace(asked)
                ? "/sign-in?" + TO + "=" + URLEncoder.encode(asked, StandardCharsets.UTF_8) : "/sign-in");
    }

    @Override
    public void onAuthenticationSuccess(HttpServletRequest request, HttpServletResponse response,
            Authentication signedIn) throws IOException {
        if (signedIn.getPrincipal() instanceof SignedIn account && account.who().isStaff()) {
            catalog.suggestAddress(request.getScheme() + "://" + request.getHeader(HttpHeaders.HOST));
        }
        String to = request.getParameter(TO);
        response.sendRedirect(to != null && isPlace(to) ? to : "/");
    }

    @Override
    public void onAuthenticationFailure(HttpServletRequest request, HttpServletResponse response,
            AuthenticationException wrong) throws IOException {
        String to = request.getParameter(TO);
        response.sendRedirect("/sign-in?failed" + (to != null && isPlace(to)
                ? "&" + TO + "=" + URLEncoder.encode(to, StandardCharsets.UTF_8) : ""));
    }

    static boolean isPlace(String text) {
        return PLACE.matcher(text).matches();
    }
}
