package org.pressboard.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Objects;
import org.pressboard.catalog.Account;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.security.authentication.event.AuthenticationSuccessEvent;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Signs somebody in without their password, because a link or the request itself proves who they are. */
@Component
class Entering {

    private final KeptSignIns kept;
    private final ApplicationEventPublisher events;

    Entering(KeptSignIns kept, ApplicationEventPublisher events) {
        this.kept = kept;
        this.events = events;
    }

    /** In a session of a new name: nobody who knew the former one is signed in along with them. */
    void signIn(Account account, HttpServletRequest request, HttpServletResponse response) {
        SignedIn who = new SignedIn(account);
        who.eraseCredentials();
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = KeptSignIns.context(who, request);
        SecurityContextHolder.setContext(context);
        kept.saveContext(context, request, response);
        events.publishEvent(new AuthenticationSuccessEvent(Objects.requireNonNull(context.getAuthentication())));
    }
}
