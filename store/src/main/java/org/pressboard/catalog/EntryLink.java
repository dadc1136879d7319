package org.pressboard.catalog;

import java.time.Duration;

/**
 * A link that lets somebody in, as it is kept.
 *
 * @param email whom it is for
 * @param name  what they are called, where they have no account yet; may be empty
 * @param role  what their account may do, where they have none yet
 */
public record EntryLink(String email, String name, Purpose purpose, Account.Role role) {

    /** A link for somebody who has an account, whatever that may do. */
    public static EntryLink of(Account account, Purpose purpose) {
        return new EntryLink(account.email(), account.name(), purpose, Account.Role.MEMBER);
    }

    /** Whether it makes an account. */
    public boolean makesAccount() {
        return purpose == Purpose.JOIN || purpose == Purpose.INVITED;
    }

    /** What a link is for, and how long it is good. */
    public enum Purpose {

        /** Signs in. */
        SIGN_IN(Duration.ofMinutes(15)),
        /** Lets a password be set that was forgotten. */
        PASSWORD(Duration.ofMinutes(15)),
        /** Makes an account for whoever asked for it. */
        JOIN(Duration.ofMinutes(15)),
        /** Makes an account for somebody who need not expect it. */
        INVITED(Duration.ofDays(7));

        private final Duration good;

        Purpose(Duration good) {
            this.good = good;
        }

        public Duration good() {
            return good;
        }
    }
}
