package org.pressboard.signin;

import java.io.Serial;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Account;
import org.pressboard.visit.Who;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.CredentialsContainer;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/** Somebody who is signed in, as the session keeps them: who they are, never their password. */
public final class SignedIn implements UserDetails, CredentialsContainer {

    @Serial
    private static final long serialVersionUID = 1;

    private final long accountId;
    private final String email;
    private final String name;
    private final Account.Role role;
    private final @Nullable String stamp;
    private final @Nullable String browser;
    private @Nullable String passwordHash;

    SignedIn(Account account) {
        this.browser = null;
        this.accountId = account.id();
        this.email = account.email();
        this.name = account.name();
        this.role = account.role();
        this.stamp = account.stamp();
        this.passwordHash = account.passwordHash();
    }

    private SignedIn(SignedIn who, String browser) {
        this.accountId = who.accountId;
        this.email = who.email;
        this.name = who.name;
        this.role = who.role;
        this.stamp = who.stamp;
        this.browser = browser;
    }

    /** The same by that browser, with no password. */
    SignedIn by(String other) {
        return new SignedIn(this, other);
    }

    /** By which they signed in; empty: not known. */
    String browser() {
        return Objects.requireNonNullElse(browser, "");
    }

    /** Whether the account is the one that signed in, and may do what it might then. */
    boolean isStill(Account account) {
        return account.stamp().equals(stamp);
    }

    /** Who they are. */
    public Who who() {
        return new Who(accountId, email, name, role);
    }

    /** Who is signed in by it; {@code null}: nobody. */
    static @Nullable SignedIn by(@Nullable Authentication authentication) {
        return authentication != null && authentication.getPrincipal() instanceof SignedIn signedIn ? signedIn : null;
    }

    long accountId() {
        return accountId;
    }

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of(new SimpleGrantedAuthority("ROLE_" + role));
    }

    @Override
    public @Nullable String getPassword() {
        return passwordHash;
    }

    @Override
    public String getUsername() {
        return email;
    }

    @Override
    public void eraseCredentials() {
        passwordHash = null;
    }
}
