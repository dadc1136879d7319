package org.pressboard.catalog;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "account")
class AccountEntity {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private @Nullable Long id;

    private String email;
    private String name;
    private String passwordHash;
    private int epoch;

    @Enumerated(EnumType.STRING)
    private Account.Role role;

    @Column(updatable = false)
    private Instant createdAt;

    @SuppressWarnings("NullAway") // Hibernate fills it
    protected AccountEntity() {
    }

    AccountEntity(String email, String name, String passwordHash, Account.Role role) {
        this.email = email;
        this.name = name;
        this.passwordHash = passwordHash;
        this.role = role;
        this.createdAt = Instant.now();
    }

    /** Every session of before counts no more. */
    void leaveEverywhere() {
        epoch++;
    }

    void password(String hash) {
        passwordHash = hash;
    }

    void role(Account.Role other) {
        role = other;
    }

    Account toAccount() {
        return new Account(Objects.requireNonNull(id), email, name, role, passwordHash, epoch);
    }
}
