package org.pressboard.wiring;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.persistence.autoconfigure.EntityScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application. */
@SpringBootApplication(scanBasePackages = "org.pressboard")
@EntityScan("org.pressboard")
@EnableScheduling
public class PressboardApplication {

    public static void main(String[] arguments) {
        SpringApplication.run(PressboardApplication.class, arguments);
    }
}
