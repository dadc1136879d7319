package org.pressboard.wiring;

import java.util.Objects;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Says on standard output when the site answers, and where; whatever starts Pressboard waits for this line. */
@Component
class ReadyLine {

    @EventListener
    @Order(0)
    void print(ApplicationReadyEvent ready) {
        if (ready.getApplicationContext() instanceof ServletWebServerApplicationContext web) {
            System.out.println("Ready: http://localhost:" + Objects.requireNonNull(web.getWebServer()).getPort() + "/");
        }
    }
}
