package org.pressboard.signin;

import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.WelcomeLinks;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** While a site has no owner, each start prints a link, good once, that makes one. */
@Component
class FirstOwner {

    private static final Logger LOG = LoggerFactory.getLogger(FirstOwner.class);

    private final Accounts accounts;
    private final WelcomeLinks links;

    FirstOwner(Accounts accounts, WelcomeLinks links) {
        this.accounts = accounts;
        this.links = links;
    }

    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE)
    void printLink(ApplicationReadyEvent ready) {
        if (!accounts.hasOwner() && ready.getApplicationContext() instanceof ServletWebServerApplicationContext web) {
            int port = java.util.Objects.requireNonNull(web.getWebServer()).getPort();
            LOG.info("To become the owner open http://localhost:{}/welcome?token={}", port, links.renew());
        }
    }
}
