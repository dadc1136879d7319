package org.pressboard.catalog;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.pressboard.change.ChangeFeed;
import org.pressboard.change.KeptByState;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.value.MailAddress;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Those who can sign in. */
@Component
public class Accounts {

    private final EntityManager entities;
    private final ChangeFeed changes;
    private final KeptByState<Long, Optional<Account>> known;

    Accounts(EntityManager entities, ChangeFeed changes, PlatformTransactionManager transactions) {
        this.entities = entities;
        this.changes = changes;
        TransactionTemplate reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
        this.known = new KeptByState<>(10_000, reading);
    }

    /** The one form of an address; see {@link MailAddress}. */
    public static String normal(String email) {
        return MailAddress.normal(email);
    }

    /** The account as it is now; what is known of it is kept until an account changes, on this or another node. */
    public Optional<Account> current(long id) {
        return known.get(changes.catalogRevision(), id, changes::catalogRevisionSeen,
                () -> Optional.ofNullable(entities.find(AccountEntity.class, id)).map(AccountEntity::toAccount));
    }

    @Transactional(readOnly = true)
    public Optional<Account> find(String email) {
        return entities.createQuery("from AccountEntity where lower(email) = :email", AccountEntity.class)
                .setParameter("email", normal(email))
                .getResultStream().findFirst().map(AccountEntity::toAccount);
    }

    /** The owners and editors, by name. */
    @Transactional(readOnly = true)
    public List<Account> staff() {
        return entities.createQuery("from AccountEntity where role <> :role order by name, id", AccountEntity.class)
                .setParameter("role", Account.Role.MEMBER).getResultStream().map(AccountEntity::toAccount).toList();
    }

    /** Gives the account another password; whoever is signed in with it is so no more. */
    @Transactional
    public void changePassword(long id, String hash) {
        changing(id).password(hash);
    }

    /** Whoever is signed in with the account is so no more. */
    @Transactional
    public void leaveEverywhere(long id) {
        changing(id).leaveEverywhere();
    }

    /** @throws ProblemsFound when no owner would be left */
    @Transactional
    public void changeRole(long id, Account.Role role) {
        AccountEntity account = changing(id);
        keepAnOwner(account, role);
        account.role(role);
    }

    /** @throws ProblemsFound when no owner would be left */
    @Transactional
    public void remove(long id) {
        AccountEntity account = changing(id);
        keepAnOwner(account, null);
        entities.remove(account);
    }

    private AccountEntity changing(long id) {
        changes.changed();
        return entities.find(AccountEntity.class, id);
    }

    /** Counted while nobody else lowers or removes one, for two who did so at the same moment would leave none. */
    private void keepAnOwner(AccountEntity account, Account.@Nullable Role then) {
        List<AccountEntity> owners = entities.createQuery("from AccountEntity where role = :role order by id", AccountEntity.class)
                .setParameter("role", Account.Role.OWNER).setLockMode(LockModeType.PESSIMISTIC_WRITE).getResultList();
        if (then != Account.Role.OWNER && owners.size() < 2 && owners.contains(account)) {
            throw ProblemsFound.of("account.last-owner");
        }
    }

    @Transactional
    public void add(String email, String name, String passwordHash, Account.Role role) {
        entities.persist(new AccountEntity(normal(email), name, passwordHash, role));
    }

    @Transactional(readOnly = true)
    public boolean hasOwner() {
        return owners() > 0;
    }

    private long owners() {
        return entities.createQuery("select count(*) from AccountEntity where role = :role", Long.class)
                .setParameter("role", Account.Role.OWNER).getSingleResult();
    }
}
