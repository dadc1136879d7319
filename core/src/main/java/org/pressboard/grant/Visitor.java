package org.pressboard.grant;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Standpoint;

/** Whoever looks at a page: somebody not signed in, a member, or one of the staff (owner and editors). */
public record Visitor(Kind kind, @Nullable String email) {

    /** What somebody is to the site. */
    public enum Kind { ANYONE, MEMBER, STAFF }

    /** Somebody who is not signed in. */
    public static final Visitor ANYONE = new Visitor(Kind.ANYONE, null);

    public static Visitor member(String email) {
        return new Visitor(Kind.MEMBER, email);
    }

    public static Visitor staff(String email) {
        return new Visitor(Kind.STAFF, email);
    }

    public boolean isStaff() {
        return kind == Kind.STAFF;
    }

    public Standpoint on(LocalDate today) {
        return new Standpoint(today, email);
    }
}
