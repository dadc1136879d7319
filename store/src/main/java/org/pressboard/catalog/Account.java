package org.pressboard.catalog;

/** Somebody who can sign in. */
public record Account(long id, String email, String name, Role role, String passwordHash) {

    /** What an account may do: the owner everything, an editor at the desk, a member on the pages. */
    public enum Role { OWNER, EDITOR, MEMBER }

    /** Differs when the account may do something else, or is to be signed in to in another way. */
    public String stamp() {
        return Digests.sha256(email + '\n' + role + '\n' + passwordHash);
    }

    @Override
    public String toString() {
        return role + " " + email;
    }
}
