package org.pressboard.catalog;

import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Brings the database to the form that this release knows. */
@Configuration(proxyBeanMethods = false)
class Migrations {

    /**
     * The first step once made a role by itself, for which the site's own role had to be allowed to make roles; it does
     * so only where the role is missing now. Databases that took the step as it was are told that it reads otherwise.
     */
    @Bean
    FlywayMigrationStrategy migrate() {
        return flyway -> {
            flyway.repair();
            flyway.migrate();
        };
    }
}
