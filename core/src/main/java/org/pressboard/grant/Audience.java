package org.pressboard.grant;

/** Whom a grant is given to. */
public sealed interface Audience {

    /** Everybody, signed in or not. */
    Audience EVERYONE = new Everyone();

    /** Those who are signed in. */
    Audience MEMBERS = new Members();

    record Everyone() implements Audience {
    }

    record Members() implements Audience {
    }

    /** Those in a group of members. */
    record Those(GroupKey group) implements Audience {
    }

    static Audience those(GroupKey group) {
        return new Those(group);
    }

    default boolean includes(Visitor visitor) {
        return switch (this) {
            case Everyone everyone -> true;
            case Members members -> visitor.kind() != Visitor.Kind.ANYONE;
            case Those those -> visitor.groups().contains(those.group);
        };
    }
}
