package org.pressboard.catalog;

/**
 * Somebody who can sign in.
 *
 * @param epoch how often they left everywhere: sessions of before count no more
 */
public record Account(long id, String email, String name, Role role, String passwordHash, int epoch) {

    /**
     * What an account may do: the owner everything; at the desk, an editor what concerns rows and drafts, and a row editor
     * what concerns rows alone; a member what the pages let them.
     */
    public enum Role { OWNER, EDITOR, ROW_EDITOR, MEMBER }

    /** Differs when the account may do something else, or is to be signed in to in another way. */
    public String stamp() {
        return Digests.sha256(email + '\n' + role + '\n' + passwordHash + '\n' + epoch);
    }

    @Override
    public String toString() {
        return role + " " + email;
    }
}
