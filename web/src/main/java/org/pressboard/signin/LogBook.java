package org.pressboard.signin;

import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import org.pressboard.log.Log;
import org.pressboard.log.Logged;
import org.pressboard.network.Networks;
import org.springframework.context.event.EventListener;
import org.springframework.security.authentication.event.AbstractAuthenticationFailureEvent;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.security.authentication.event.LogoutSuccessEvent;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Writes into the log what whoever the request is from does. */
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

    /** Puts down what the one signed in does. */
    public void note(Logged.What what, String about) {
        SignedIn current = SignedIn.current();
        log.note(what, current == null ? null : current.accountId(), current == null ? "" : current.getUsername(), origin(),
                about);
    }

    /** Puts down what was refused, as often as one network may have it put down. */
    public void refused(String about) {
        noteAtTimes(Logged.What.REFUSED, about);
    }

    /** Puts down what strangers can have put down as often as they like, as often as one network may. */
    public void noteAtTimes(Logged.What what, String about) {
        if (failures.get(Networks.of(origin())).tryConsume(1)) {
            note(what, about);
        }
    }

    void note(Logged.What what, SignedIn who, String about) {
        log.note(what, who.accountId(), who.getUsername(), origin(), about);
    }

    @EventListener
    void signedIn(AuthenticationSuccessEvent success) {
        if (success.getAuthentication().getPrincipal() instanceof SignedIn who) {
            note(Logged.What.SIGNED_IN, who, "");
        }
    }

    @EventListener
    void failed(AbstractAuthenticationFailureEvent failure) {
        if (failures.get(Networks.of(origin())).tryConsume(1)) {
            log.note(Logged.What.SIGN_IN_FAILED, null, failure.getAuthentication().getName(), origin(), "");
        }
    }

    @EventListener
    void signedOut(LogoutSuccessEvent out) {
        Authentication left = out.getAuthentication();
        if (left.getPrincipal() instanceof SignedIn who) {
            note(Logged.What.SIGNED_OUT, who, "");
        }
    }

    private static String origin() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
                ? request.getRequest().getRemoteAddr() : "";
    }
}
