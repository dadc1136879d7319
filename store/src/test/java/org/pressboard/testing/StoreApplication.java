package org.pressboard.testing;

import org.springframework.boot.autoconfigure.EnableAutoConfiguration;
import org.springframework.boot.persistence.autoconfigure.EntityScan;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.ComponentScan;

/** The store alone, for its tests. */
@EnableAutoConfiguration
@EntityScan("org.pressboard")
@ComponentScan({"org.pressboard.catalog", "org.pressboard.change", "org.pressboard.sql", "org.pressboard.scope", "org.pressboard.rows",
    "org.pressboard.schema", "org.pressboard.bulk", "org.pressboard.history", "org.pressboard.editing", "org.pressboard.files",
    "org.pressboard.undo", "org.pressboard.member", "org.pressboard.mail", "org.pressboard.memory", "org.pressboard.log"})
public class StoreApplication {

    @Bean
    SetClock clock() {
        return new SetClock();
    }
}
