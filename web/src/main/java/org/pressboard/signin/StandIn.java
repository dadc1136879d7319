package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import java.util.Optional;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Visitor;
import org.pressboard.member.Members;
import org.springframework.stereotype.Component;

/**
 * The owner on the site's pages as one of the members, until they end it or sign out. One page is as its draft says, so that
 * it is tried before anybody gets it; the others are as published. The owner may do there what the member may, and it counts;
 * it is put down to the owner. At the desk they are themselves.
 */
@Component
public class StandIn {

    private static final String AS = StandIn.class.getName();
    private static final String PAGE = AS + ".page";

    private final Members members;
    private final Accounts accounts;

    StandIn(Members members, Accounts accounts) {
        this.accounts = accounts;
        this.members = members;
    }

    /** Somebody stood in for, and the page that is tried meanwhile. */
    record Part(Visitor member, PageKey page) {
    }

    /**
     * @param email of the member
     * @param page  the page that is tried
     */
    public void begin(HttpSession session, String email, PageKey page) {
        session.setAttribute(AS, email);
        session.setAttribute(PAGE, page.name());
    }

    public void end(HttpSession session) {
        session.removeAttribute(AS);
        session.removeAttribute(PAGE);
    }

    /** As whom a request of the owner's is made; empty: as themselves. */
    Optional<Part> of(HttpServletRequest request) {
        HttpSession session = request.getRequestURI().startsWith("/desk") ? null : request.getSession(false);
        return session != null && session.getAttribute(AS) instanceof String email
                && session.getAttribute(PAGE) instanceof String page
                ? member(email).map(member -> new Part(member, new PageKey(page))) : Optional.empty();
    }

    /** A member who is nothing more than that: for others who work at the desk nobody stands in. */
    private Optional<Visitor> member(String email) {
        return isOfStaff(email) ? Optional.empty() : members.visitor(email);
    }

    /** Whether whoever has that address works at the desk. */
    public boolean isOfStaff(String email) {
        return accounts.find(email).filter(account -> account.role() != Account.Role.MEMBER).isPresent();
    }
}
