package org.pressboard.signin;

import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.pressboard.catalog.Account;
import org.pressboard.log.Log;
import org.pressboard.log.Logged;
import org.pressboard.network.Networks;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Who;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AbstractAuthenticationFailureEvent;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.security.authentication.event.LogoutSuccessEvent;
import org.springframework.security.core.Authentication;
import org.springframework.security.web.authentication.WebAuthenticationDetails;
import org.springframework.stereotype.Component;

/** Writes into the log what people do. */
@Component
public class LogBook {

    /** What strangers cause without being let in is put down so often, of one address; they could fill the disk. */
    private static final int FAILURES = 60;
    private static final Duration PER = Duration.ofMinutes(10);

    private final Log log;
    private final LoadingCache<String, Bucket> failures = Buckets.of(FAILURES, PER);

    LogBook(Log log) {
        this.log = log;
    }

    /** Puts down what they do. */
    public void note(Caller caller, Logged.What what, String about) {
        Who who = caller.who();
        log.note(what, who == null ? null : who.accountId(), who == null ? "" : who.email(), caller.address(), about);
    }

    public void note(Visit visit, Logged.What what, String about) {
        note(visit.caller(), what, about);
    }

    /** Puts down what was refused, as often as one network may have it put down. */
    public void refused(Caller caller, String about) {
        noteAtTimes(caller, Logged.What.REFUSED, about);
    }

    /** Puts down what strangers can have put down as often as they like, as often as one network may. */
    public void noteAtTimes(Caller caller, Logged.What what, String about) {
        if (failures.get(Networks.of(caller.address())).tryConsume(1)) {
            note(caller, what, about);
        }
    }

    /** Puts down what somebody does who is let in by it. */
    void note(Account account, Logged.What what, String address) {
        log.note(what, account.id(), account.email(), address, "");
    }

    @EventListener
    void signedIn(AuthenticationSuccessEvent success) {
        if (success.getAuthentication().getPrincipal() instanceof SignedIn who) {
            note(who, Logged.What.SIGNED_IN, success.getAuthentication());
        }
    }

    @EventListener
    void failed(AbstractAuthenticationFailureEvent failure) {
        String origin = origin(failure.getAuthentication());
        if (failures.get(Networks.of(origin)).tryConsume(1)) {
            log.note(Logged.What.SIGN_IN_FAILED, null, failure.getAuthentication().getName(), origin, "");
        }
    }

    @EventListener
    void signedOut(LogoutSuccessEvent out) {
        Authentication left = out.getAuthentication();
        if (left.getPrincipal() instanceof SignedIn who) {
            note(who, Logged.What.SIGNED_OUT, left);
        }
    }

    private void note(SignedIn who, Logged.What what, Authentication by) {
        log.note(what, who.accountId(), who.getUsername(), origin(by), "");
    }

    private static String origin(Authentication by) {
        return by.getDetails() instanceof WebAuthenticationDetails from ? from.getRemoteAddress() : "";
    }
}
