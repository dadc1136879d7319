package org.pressboard.demo;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.concurrent.ExecutionException;
import org.pressboard.bulk.Intake;
import org.pressboard.bulk.Intakes;
import org.pressboard.catalog.Account;
import org.pressboard.catalog.Accounts;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.Site;
import org.pressboard.history.Author;
import org.pressboard.intake.Plan;
import org.pressboard.schema.Publisher;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/**
 * Sets up Quillbrook Community Orchard on an empty site: its people, and its tables through the product's own intake.
 * A site that has an owner is left as it is.
 */
@Component
@ConditionalOnProperty("pressboard.demo")
class DemoData implements ApplicationRunner {

    static final String PASSWORD = "quillbrook";
    private static final Author SETTING_UP = new Author(null, "Quillbrook", Author.Origin.DEMO);

    private static final Map<String, String> MEMBERS = Map.of("mira", "Mira Holloway", "tomas", "Tomas Veit",
            "ingrid", "Ingrid Ashgrove", "bashir", "Bashir Nasser", "odile", "Odile Delorme", "fergus", "Fergus Pike",
            "wanjiru", "Wanjiru Kamau", "pavel", "Pavel Novotny");

    private final Accounts accounts;
    private final Catalog catalog;
    private final Intakes intakes;
    private final Publisher publisher;
    private final PasswordEncoder passwords;
    private final DemoTables tables;
    private final DemoPictures pictures;
    private final DemoPages pages;
    private final Clock clock;

    DemoData(Accounts accounts, Catalog catalog, Intakes intakes, Publisher publisher, PasswordEncoder passwords,
            DemoTables tables, DemoPictures pictures, DemoPages pages, Clock clock) {
        this.clock = clock;
        this.accounts = accounts;
        this.catalog = catalog;
        this.intakes = intakes;
        this.publisher = publisher;
        this.passwords = passwords;
        this.tables = tables;
        this.pictures = pictures;
        this.pages = pages;
    }

    @Override
    public void run(ApplicationArguments arguments) throws Exception {
        if (accounts.hasOwner()) {
            return;
        }
        // without an owner nobody has brought in anything: what is there is from a demo that broke off
        publisher.removeAll();
        catalog.changeSite(new Site("Quillbrook Community Orchard", "en-GB")
                .withFoot("Quillbrook Community Orchard, behind the old mill. The gate is open on Saturdays from nine to noon."));
        for (String file : DemoTables.FILES) {
            bringIn(file);
            tables.settle(file);
        }
        tables.groups();
        pictures.draw();
        pages.publish();
        addPeople();
    }

    private void bringIn(String name) throws IOException, InterruptedException, ExecutionException {
        String file = name + ".csv";
        UUID id;
        try (InputStream in = getClass().getResourceAsStream("/demo/" + file)) {
            String written = new String(Objects.requireNonNull(in, file).readAllBytes(), StandardCharsets.UTF_8);
            String told = DemoTables.YEARLY.contains(name) ? DemoDays.told(written, LocalDate.now(clock)) : written;
            id = intakes.receive(file, new ByteArrayInputStream(told.getBytes(StandardCharsets.UTF_8)));
        }
        intakes.survey(id).get();
        Plan plan = Objects.requireNonNull(intakes.find(id).orElseThrow().plan());
        intakes.load(id, new Plan(plan.label(), plan.columns().stream().map(DemoPictures::asPicture).toList()), SETTING_UP).get();
        Intake done = intakes.find(id).orElseThrow();
        if (done.status() != Intake.Status.DONE || done.rowsAside() > 0) {
            throw new IllegalStateException("The demo's " + file + " could not be brought in whole: " + done);
        }
        intakes.discard(id);
    }

    /** Last, so that a start that broke off begins anew. */
    private void addPeople() {
        String hash = Objects.requireNonNull(passwords.encode(PASSWORD));
        MEMBERS.forEach((address, name) -> accounts.add(address + "@example.org", name, hash, Account.Role.MEMBER));
        accounts.add("editor@example.org", "Saoirse Byrne", hash, Account.Role.EDITOR);
        accounts.add("owner@example.org", "Elspeth Muir", hash, Account.Role.OWNER);
    }
}
