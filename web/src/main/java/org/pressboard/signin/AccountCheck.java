package org.pressboard.signin;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import org.pressboard.catalog.Accounts;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Looks with every request whether the account of whoever is signed in is still what it was. One that has been removed
 * or lowered, or has another address or password, is signed out with its next request, on every node.
 */
public final class AccountCheck extends OncePerRequestFilter {

    private final Accounts accounts;

    public AccountCheck(Accounts accounts) {
        this.accounts = accounts;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        SignedIn current = SignedIn.current();
        if (current != null && accounts.current(current.accountId()).filter(current::isStill).isEmpty()) {
            SecurityContextHolder.clearContext();
            HttpSession session = request.getSession(false);
            if (session != null) {
                session.invalidate();
            }
        }
        chain.doFilter(request, response);
    }
}
