package org.pressboard.bench.bare;

import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.List;
import java.util.Objects;
import javax.sql.DataSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.SpringBootConfiguration;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.thymeleaf.autoconfigure.ThymeleafAutoConfiguration;
import org.springframework.boot.tomcat.autoconfigure.servlet.TomcatServletWebServerAutoConfiguration;
import org.springframework.boot.webmvc.autoconfigure.DispatcherServletAutoConfiguration;
import org.springframework.boot.webmvc.autoconfigure.WebMvcAutoConfiguration;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** The reference: Spring Boot and Thymeleaf with rows that are there already, and nothing else. */
public final class BareApplication {

    private BareApplication() {
    }

    /** A row as it is drawn. */
    public record BareRow(List<String> cells) {
    }

    @SpringBootConfiguration
    @ImportAutoConfiguration({TomcatServletWebServerAutoConfiguration.class, DispatcherServletAutoConfiguration.class,
        WebMvcAutoConfiguration.class, ThymeleafAutoConfiguration.class})
    static class Wiring {
    }

    @Controller
    static class BareController {

        static volatile List<String> headings = List.of();
        static volatile List<BareRow> rows = List.of();

        static volatile @org.jspecify.annotations.Nullable DataSource database;

        @PostMapping("/bare-update")
        @ResponseBody String update(@RequestParam long row, @RequestParam BigDecimal kilos) throws SQLException {
            try (Connection connection = Objects.requireNonNull(database).getConnection();
                    PreparedStatement update = connection.prepareStatement("update hosted.own_rows set kilos = ? where row_id = ?")) {
                update.setBigDecimal(1, kilos);
                update.setLong(2, row);
                update.executeUpdate();
                connection.commit();
            }
            return "Changed.";
        }

        @GetMapping("/bare")
        String bare(Model model) {
            model.addAttribute("headings", headings);
            model.addAttribute("rows", rows);
            return "bare";
        }
    }

    /** Lets it change values of that database. */
    public static void updating(DataSource database) {
        BareController.database = database;
    }

    /** Starts it with these rows and returns its port. */
    public static int start(List<String> headings, List<BareRow> rows) {
        BareController.headings = headings;
        BareController.rows = rows;
        SpringApplication application = new SpringApplication(Wiring.class, BareController.class);
        application.setDefaultProperties(java.util.Map.of());
        ConfigurableApplicationContext context = application.run("--server.port=0", "--spring.config.name=bare");
        return Integer.parseInt(context.getEnvironment().getProperty("local.server.port", "0"));
    }
}
