package org.pressboard.demo;

import java.util.Objects;
import org.pressboard.catalog.Catalog;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Says who can sign in to the demo, once it answers. */
@Component
@ConditionalOnProperty("pressboard.demo")
class DemoSignIns {

    private final Catalog catalog;

    DemoSignIns(Catalog catalog) {
        this.catalog = catalog;
    }

    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE)
    void print(ApplicationReadyEvent ready) {
        if (ready.getApplicationContext() instanceof ServletWebServerApplicationContext web) {
            catalog.suggestAddress("http://localhost:" + Objects.requireNonNull(web.getWebServer()).getPort());
        }
        System.out.println("""
                Sign in at /sign-in, with the password %s:
                  owner@example.org    the owner, at /desk
                  editor@example.org   an editor, at /desk
                  mira@example.org     a member; also tomas, ingrid, bashir, odile, fergus, wanjiru, pavel
                Ctrl-C ends it.""".formatted(DemoData.PASSWORD));
    }
}
