package org.pressboard.edition;

import java.util.List;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Visitor;

/**
 * Who gets to a page, and what others get instead. Which rows they see there is for the grants to say.
 *
 * @param audiences those who do; of none, everybody does
 * @param message   what others are told; may be empty
 */
public record Access(List<Audience> audiences, Otherwise otherwise, String message) {

    /** For everybody. */
    public static final Access EVERYBODY = new Access(List.of(), Otherwise.NOT_THERE, "");

    public static final int LONGEST_MESSAGE = 1_000;

    /** What those get who do not get to the page. */
    public enum Otherwise {
        /** As if there were no such page. */
        NOT_THERE,
        /** To sign in first, and then the page; who is signed in already, the message. */
        SIGN_IN,
        /** The message. */
        MESSAGE
    }

    public Access {
        audiences = List.copyOf(audiences);
    }

    public boolean lets(Visitor visitor) {
        return lets(audiences, visitor);
    }

    static boolean lets(List<Audience> audiences, Visitor visitor) {
        return visitor.isStaff() || audiences.isEmpty()
                || audiences.stream().anyMatch(audience -> audience.includes(visitor));
    }
}
