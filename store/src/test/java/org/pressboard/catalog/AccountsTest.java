package org.pressboard.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.pressboard.testing.StoreTest;
import org.springframework.beans.factory.annotation.Autowired;

class AccountsTest extends StoreTest {

    @Autowired
    private Accounts accounts;

    /** Whoever sets a password is signed in with it, and asks for the next page right away. */
    @Test
    void whoChangedAnAccountFindsItChangedWithoutWaiting() {
        accounts.add("cordelia@example.org", "Cordelia Wren", "before", Account.Role.MEMBER);
        long id = accounts.find("cordelia@example.org").orElseThrow().id();
        for (int i = 0; i < 20; i++) {
            assertThat(accounts.current(id)).isPresent();
            accounts.changePassword(id, "after " + i);
            assertThat(accounts.current(id).orElseThrow().passwordHash()).isEqualTo("after " + i);
        }
        int epoch = accounts.current(id).orElseThrow().epoch();
        accounts.leaveEverywhere(id);
        assertThat(accounts.current(id).orElseThrow().epoch()).isGreaterThan(epoch);
        accounts.changeRole(id, Account.Role.EDITOR);
        assertThat(accounts.current(id).orElseThrow().role()).isEqualTo(Account.Role.EDITOR);
        accounts.remove(id);
        assertThat(accounts.current(id)).isEmpty();
    }
}
