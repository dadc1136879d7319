package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.HttpRequestResponseHolder;
import org.springframework.security.web.context.SecurityContextRepository;
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
        return session != null && session.getAttribute(SIGNED_IN) instanceof SignedIn who ? context(who) : null;
    }

    /** In which they are signed in. */
    static SecurityContext context(SignedIn who) {
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(who, null, who.getAuthorities()));
        return context;
    }

    /** Whoever is not signed in needs no session for that. */
    @Override
    public void saveContext(SecurityContext context, HttpServletRequest request, HttpServletResponse response) {
        Authentication authentication = context.getAuthentication();
        if (authentication != null && authentication.getPrincipal() instanceof SignedIn who) {
            request.getSession().setAttribute(SIGNED_IN, who);
        } else if (request.getSession(false) instanceof HttpSession session) {
            session.removeAttribute(SIGNED_IN);
        }
    }
}
