package org.pressboard.visit;

import org.pressboard.catalog.Account;
import org.pressboard.history.Author;

/** Somebody with an account, as they are signed in. */
public record Who(long accountId, String email, String name, Account.Role role) {

    public boolean isStaff() {
        return role != Account.Role.MEMBER;
    }

    /** Whether they may do everything: say who may do what, publish, and see to members and settings. */
    public boolean isOwner() {
        return role == Account.Role.OWNER;
    }

    /** Whether they may change drafts of pages. */
    public boolean isDrafting() {
        return role == Account.Role.OWNER || role == Account.Role.EDITOR;
    }

    /** On whose behalf they change something, from there. */
    Author author(Author.Origin origin) {
        return new Author(accountId, name, origin);
    }
}
