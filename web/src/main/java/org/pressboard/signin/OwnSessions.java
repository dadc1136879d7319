package org.pressboard.signin;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Digests;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/** Where somebody is signed in: the sessions of an account that are still good. */
@Component
class OwnSessions {

    /** So many has an account at most: where somebody signs in once more, the one seen longest ago ends. */
    static final int MOST = 50;

    private final FindByIndexNameSessionRepository<? extends Session> kept;

    OwnSessions(FindByIndexNameSessionRepository<? extends Session> kept) {
        this.kept = kept;
    }

    /**
     * @param key     a digest of the session's name, which nobody is to read on a page
     * @param browser what it says that it is; empty: nothing known
     * @param current whether it is the one that asks
     */
    public record OwnSession(String key, String browser, Instant since, Instant seen, boolean current) {
    }

    /** The last seen first. */
    List<OwnSession> of(Account account, String current) {
        return good(account).values().stream().map(session -> new OwnSession(key(session),
                KeptSignIns.signedIn(session).map(SignedIn::browser).orElse(""), session.getCreationTime(),
                session.getLastAccessedTime(), session.getId().equals(current)))
                .sorted(Comparator.comparing(OwnSession::current).thenComparing(OwnSession::seen).reversed()).toList();
    }

    /** Makes room for the session of whoever is about to have signed in. */
    @EventListener
    void makeRoom(AuthenticationSuccessEvent success) {
        if (success.getAuthentication().getPrincipal() instanceof SignedIn who) {
            Map<String, ? extends Session> all = kept.findByPrincipalName(KeptSignIns.index(who.accountId()));
            all.values().stream().sorted(Comparator.comparing(Session::getLastAccessedTime))
                    .limit(Math.max(0, all.size() - MOST + 1)).map(Session::getId).toList().forEach(kept::deleteById);
        }
    }

    /** Ends one of them; nothing happens where it is none of the account's. */
    void end(Account account, String key) {
        good(account).values().stream().filter(session -> key(session).equals(key)).map(Session::getId)
                .forEach(kept::deleteById);
    }

    private Map<String, ? extends Session> good(Account account) {
        Map<String, ? extends Session> all = kept.findByPrincipalName(KeptSignIns.index(account.id()));
        all.values().removeIf(session -> session.isExpired()
                || KeptSignIns.signedIn(session).filter(who -> who.isStill(account)).isEmpty());
        return all;
    }

    private static String key(Session session) {
        return Digests.sha256(session.getId());
    }
}
