package org.pressboard.signin;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Duration;
import java.util.Optional;
import org.pressboard.catalog.Accounts;
import org.pressboard.member.Members;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Who;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Looks with every request who the account of whoever is signed in is now. One that has been removed or lowered, has
 * another address or password, or belongs to nobody among the members any more, is signed out with its next request, on
 * every node. An owner who stands in for a member is that member, and tries a page out.
 */
public final class AccountCheck extends OncePerRequestFilter {

    private static final Duration LONGEST_SESSION = Duration.ofDays(90);

    private final Accounts accounts;
    private final Members members;
    private final Browsers browsers;
    private final StandIn standIn;

    public AccountCheck(Accounts accounts, Members members, Browsers browsers, StandIn standIn) {
        this.standIn = standIn;
        this.accounts = accounts;
        this.members = members;
        this.browsers = browsers;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        SignedIn current = SignedIn.by(SecurityContextHolder.getContext().getAuthentication());
        Optional<Caller> signedIn = current == null || isTooOld(request) ? Optional.empty()
                : accounts.current(current.accountId()).filter(current::isStill).flatMap(members::visitor).map(visitor ->
                        new Caller(current.who(), visitor, null, request.getRemoteAddr()));
        if (current != null && signedIn.isEmpty()) {
            signOut(request);
        }
        signedIn.map(caller -> standingIn(caller, request)).orElseGet(() -> stranger(request)).enter(request);
        chain.doFilter(request, response);
    }

    private Caller stranger(HttpServletRequest request) {
        Caller stranger = Caller.stranger(request);
        return browsers.visitor(request).map(stranger::as).orElse(stranger);
    }

    private Caller standingIn(Caller caller, HttpServletRequest request) {
        return Optional.ofNullable(caller.who()).filter(Who::isOwner).flatMap(owner -> standIn.of(request))
                .map(part -> caller.standingIn(part.member(), part.page())).orElse(caller);
    }

    /** However often somebody comes back, after so long they show again who they are. */
    private static boolean isTooOld(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session != null && session.getCreationTime() < System.currentTimeMillis() - LONGEST_SESSION.toMillis();
    }

    private static void signOut(HttpServletRequest request) {
        SecurityContextHolder.clearContext();
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
    }
}
