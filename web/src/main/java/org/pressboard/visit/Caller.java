package org.pressboard.visit;

import jakarta.servlet.http.HttpServletRequest;
import org.jspecify.annotations.Nullable;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Visitor;

/**
 * Whom a request is from, as it was found out at the door.
 *
 * @param who     who is signed in; {@code null}: nobody
 * @param visitor the same as grants know visitors: of an owner who stands in for a member, that member
 * @param tried   the page that they try out, which is to them as it is drafted; {@code null}: none
 * @param address where on the network they are
 */
public record Caller(@Nullable Who who, Visitor visitor, @Nullable PageKey tried, String address) {

    private static final String AT = Caller.class.getName();

    /** Somebody of whom nothing is known. */
    public static Caller stranger(HttpServletRequest request) {
        return new Caller(null, Visitor.ANYONE, null, request.getRemoteAddr());
    }

    /** Says of a request whom it is from. */
    public void enter(HttpServletRequest request) {
        request.setAttribute(AT, this);
    }

    /** Whom the request is from; a stranger, where nobody has said. */
    public static Caller of(HttpServletRequest request) {
        return request.getAttribute(AT) instanceof Caller caller ? caller : stranger(request);
    }

    /** The same as another visitor. */
    public Caller as(Visitor other) {
        return new Caller(who, other, tried, address);
    }

    /** The same who try a page out as a member. */
    public Caller standingIn(Visitor member, PageKey page) {
        return new Caller(who, member, page, address);
    }
}
