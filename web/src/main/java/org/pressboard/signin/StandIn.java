package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.Optional;
import org.pressboard.grant.Visitor;
import org.pressboard.member.Members;
import org.springframework.stereotype.Component;

/**
 * The owner on the site's pages as one of the members, until they end it or sign out. The pages are as their drafts say, so
 * that they are tried before anybody gets them. The owner may do there what the member may, and it counts; it is put down to
 * the owner. At the desk they are themselves.
 */
@Component
public class StandIn {

    private static final String AS = StandIn.class.getName();

    private final Members members;

    StandIn(Members members) {
        this.members = members;
    }

    /** @param email of the member */
    public void begin(HttpSession session, String email) {
        session.setAttribute(AS, email);
    }

    public void end(HttpSession session) {
        session.removeAttribute(AS);
    }

    /** As whom a request of the owner's is made; empty: as themselves. */
    Optional<Visitor> of(HttpServletRequest request) {
        HttpSession session = request.getRequestURI().startsWith("/desk") ? null : request.getSession(false);
        return session != null && session.getAttribute(AS) instanceof String email ? members.visitor(email) : Optional.empty();
    }
}
