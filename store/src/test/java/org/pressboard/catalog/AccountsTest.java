package org.pressboard.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.BrokenBarrierException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CyclicBarrier;
import org.junit.jupiter.api.Test;
import org.pressboard.problem.ProblemsFound;
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

    /** Two owners who lower or remove each other at the same moment: one is told, and is the owner that is left. */
    @Test
    void anOwnerIsAlwaysLeft() throws Exception {
        for (int i = 0; i < 20; i++) {
            accounts.add("one@example.org", "One", "hash", Account.Role.OWNER);
            accounts.add("two@example.org", "Two", "hash", Account.Role.OWNER);
            long one = accounts.find("one@example.org").orElseThrow().id();
            long two = accounts.find("two@example.org").orElseThrow().id();
            boolean removing = i % 2 == 0;
            CyclicBarrier both = new CyclicBarrier(2);
            CompletableFuture<Boolean> ofTwo = CompletableFuture.supplyAsync(() -> lowers(both, two, false));
            CompletableFuture<Boolean> ofOne = CompletableFuture.supplyAsync(() -> lowers(both, one, removing));
            assertThat(List.of(ofOne.get(), ofTwo.get())).containsExactlyInAnyOrder(true, false);
            assertThat(accounts.hasOwner()).isTrue();
            inTransaction(() -> sql.execute("delete from pressboard.account where email in ('one@example.org', 'two@example.org')"));
        }
    }

    private boolean lowers(CyclicBarrier both, long id, boolean removing) {
        try {
            both.await();
            if (removing) {
                accounts.remove(id);
            } else {
                accounts.changeRole(id, Account.Role.MEMBER);
            }
            return true;
        } catch (ProblemsFound refused) {
            return false;
        } catch (InterruptedException | BrokenBarrierException failed) {
            throw new IllegalStateException(failed);
        }
    }
}
