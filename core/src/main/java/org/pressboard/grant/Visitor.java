package org.pressboard.grant;

import java.time.LocalDateTime;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Standpoint;
import org.pressboard.value.Row;

/**
 * Whoever looks at a page: somebody not signed in, a member, or one of the staff (owner and editors).
 *
 * @param groups those that they belong to
 */
public record Visitor(Kind kind, Onlooker who, Set<GroupKey> groups) {

    /** What somebody is to the site. */
    public enum Kind { ANYONE, MEMBER, STAFF }

    /** Somebody who is not signed in. */
    public static final Visitor ANYONE = new Visitor(Kind.ANYONE, Onlooker.NOBODY, Set.of());

    public Visitor {
        groups = Set.copyOf(groups);
    }

    /** A member of whom nothing but the address is known. */
    public static Visitor member(String email) {
        return new Visitor(Kind.MEMBER, new Onlooker(email, "", null), Set.of());
    }

    public static Visitor member(String email, String name, Row row, Set<GroupKey> groups) {
        return new Visitor(Kind.MEMBER, new Onlooker(email, name, row), groups);
    }

    public static Visitor staff(String email) {
        return new Visitor(Kind.STAFF, new Onlooker(email, "", null), Set.of());
    }

    /** Somebody who is not signed in, told from others by their browser. */
    public static Visitor in(String browser) {
        return new Visitor(Kind.ANYONE, Onlooker.in(browser), Set.of());
    }

    /** The same in these groups. */
    public Visitor in(Set<GroupKey> others) {
        return new Visitor(kind, who, others);
    }

    public @Nullable String email() {
        return who.email();
    }

    /** By their name, else their address; {@code null}: they have neither. */
    public @Nullable String called() {
        return who.name().isEmpty() ? email() : who.name();
    }

    /** What their browser is called, of those who are not signed in and have sent something; {@code null}: see {@link Onlooker}. */
    public @Nullable String browser() {
        return who.browser();
    }

    public boolean isStaff() {
        return kind == Kind.STAFF;
    }

    public Standpoint at(LocalDateTime moment) {
        return Standpoint.of(who, moment);
    }
}
