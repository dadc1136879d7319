package org.pressboard.grant;

/** Whom a grant is given to. */
public enum Audience {
    /** Everybody, signed in or not. */
    EVERYONE,
    /** Those who are signed in. */
    MEMBERS;

    boolean includes(Visitor visitor) {
        return switch (this) {
            case EVERYONE -> true;
            case MEMBERS -> visitor.kind() != Visitor.Kind.ANYONE;
        };
    }
}
