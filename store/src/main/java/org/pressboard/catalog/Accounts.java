package org.pressboard.catalog;

import jakarta.persistence.EntityManager;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Those who can sign in. E-mail addresses are the same in upper and lower case. */
@Component
public class Accounts {

    private final EntityManager entities;

    Accounts(EntityManager entities) {
        this.entities = entities;
    }

    @Transactional(readOnly = true)
    public Optional<Account> find(String email) {
        return entities.createQuery("from AccountEntity where lower(email) = :email", AccountEntity.class)
                .setParameter("email", email.strip().toLowerCase(Locale.ROOT))
                .getResultStream().findFirst().map(AccountEntity::toAccount);
    }

    @Transactional
    public void add(String email, String name, String passwordHash, Account.Role role) {
        entities.persist(new AccountEntity(email.strip().toLowerCase(Locale.ROOT), name, passwordHash, role));
    }

    @Transactional(readOnly = true)
    public boolean hasOwner() {
        return entities.createQuery("select count(*) from AccountEntity where role = :role", Long.class)
                .setParameter("role", Account.Role.OWNER).getSingleResult() > 0;
    }
}
