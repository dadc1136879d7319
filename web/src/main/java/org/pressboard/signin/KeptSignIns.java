package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/**
 * Keeps in sessions who is signed in, and nothing that follows from it: a session is read with each request, and what is
 * kept by default takes longer to read than to ask the database for it.
 */
@Component
public class KeptSignIns implements SecurityContextRepository {

    private static final String SIGNED_IN = "signed-in";

    KeptSignIns() {
    }

    @Override
    @SuppressWarnings("deprecation")
    public SecurityContext loadContext(HttpRequestResponseHolder holder) {
        SecurityContext context = read(holder.getRequest());
        return context == null ? SecurityContextHolder.createEmptyContext() : context;
    }

    @Override
    public boolean containsContext(HttpServletRequest request) {
        return read(request) != null;
    }

    private static @Nullable SecurityContext read(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null && session.getAttribute(SIGNED_IN) instanceof SignedIn who ? context(who, request) : null;
    }

    /** Who is signed in in a session. */
    static Optional<SignedIn> signedIn(Session session) {
        return session.getAttribute(SIGNED_IN) instanceof SignedIn who ? Optional.of(who) : Optional.empty();
    }

    /** By what the sessions of an account are found. */
    static String index(long accountId) {
        return String.valueOf(accountId);
    }

    /** The same, where somebody is signed in in a session, by the name that Spring Session knows it by. */
    public static Map<String, String> indexes(Session session) {
        return signedIn(session).map(who -> Map.of(FindByIndexNameSessionRepository.PRINCIPAL_NAME_INDEX_NAME,
                index(who.accountId()))).orElse(Map.of());
    }

    /** In which they are signed in, from where the request is. */
    static SecurityContext context(SignedIn who, HttpServletRequest request) {
        UsernamePasswordAuthenticationToken signedIn = UsernamePasswordAuthenticationToken.authenticated(who, null, who.getAuthorities());
        signedIn.setDetails(new WebAuthenticationDetails(request.getRemoteAddr(), null));
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(signedIn);
        return context;
    }

    /** Whoever is not signed in needs no session for that. */
    @Override
    public void saveContext(SecurityContext context, HttpServletRequest request, HttpServletResponse response) {
        Authentication authentication = context.getAuthentication();
        if (authentication != null && authentication.getPrincipal() instanceof SignedIn who) {
            request.getSession().setAttribute(SIGNED_IN, who.by(BrowserName.of(request.getHeader(HttpHeaders.USER_AGENT))));
        } else if (request.getSession(false) instanceof HttpSession session) {
            session.removeAttribute(SIGNED_IN);
        }
    }
}
