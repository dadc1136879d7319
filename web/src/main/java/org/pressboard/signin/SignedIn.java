package org.pressboard.signin;

import java.io.Serial;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.pressboard.catalog.Account;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.CredentialsContainer;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Somebody who is signed in, as the session keeps them: who they are, never their password. */
public final class SignedIn implements UserDetails, CredentialsContainer {

    /** The request's attribute that has its visitor. */
    static final String VISITOR = Visitor.class.getName();

    private static final String DRAWN_FOR = SignedIn.class.getName() + ".drawnFor";

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

    /** Who the request is from; {@code null}: somebody not signed in. */
    public static @Nullable SignedIn current() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        return authentication != null && authentication.getPrincipal() instanceof SignedIn signedIn ? signedIn : null;
    }

    /** The request's visitor, as grants know visitors and {@link AccountCheck} has found them. */
    public static Visitor currentVisitor() {
        RequestAttributes request = RequestContextHolder.currentRequestAttributes();
        return request.getAttribute(VISITOR, RequestAttributes.SCOPE_REQUEST) instanceof Visitor visitor
                && (current() != null || visitor.kind() == Visitor.Kind.ANYONE) ? visitor : Visitor.ANYONE;
    }

    /** Has the request's page drawn as somebody else would have it. */
    public static void drawFor(Visitor somebody) {
        RequestContextHolder.currentRequestAttributes().setAttribute(DRAWN_FOR, somebody, RequestAttributes.SCOPE_REQUEST);
    }

    /** For whom the request's page is drawn; its visitor, where nobody else is said. */
    public static Visitor drawnFor() {
        return RequestContextHolder.currentRequestAttributes().getAttribute(DRAWN_FOR, RequestAttributes.SCOPE_REQUEST)
                instanceof Visitor somebody ? somebody : currentVisitor();
    }

    /** On whose behalf the request changes something. */
    public static Author author() {
        SignedIn current = current();
        return current == null ? new Author(null, "", Author.Origin.DESK)
                : new Author(current.accountId, current.name, Author.Origin.DESK);
    }

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

    public long accountId() {
        return accountId;
    }

    public String name() {
        return name;
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
