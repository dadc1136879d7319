package org.pressboard.bench;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.pressboard.bench.bare.BareApplication;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.schema.Publisher;
import org.pressboard.sheet.Sheet;
import org.pressboard.sheet.Sheets;
import org.pressboard.stand.Asking;
import org.pressboard.stand.Stand;
import org.pressboard.table.TableKey;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Visit;
import org.pressboard.wiring.PressboardApplication;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Starts the application and the reference in one process and prints how they compare. Words name the parts to
 * measure: {@code listing}, {@code layout}, {@code related}, {@code throughput},
 * {@code people}, {@code bulk}, {@code harm}, {@code crowd}; without any, all of them; and {@code vast}, which is measured only where it is
 * asked for.
 */
public final class Bench {

    private Bench() {
    }

    public static void main(String[] arguments) {
        int result = 0;
        try {
            run(arguments);
        } catch (Exception failed) {
            failed.printStackTrace();
            result = 1;
        }
        System.exit(result);
    }

    private static void run(String[] arguments) throws Exception {
        SpringApplication application = new SpringApplication(PressboardApplication.class, BenchTables.class,
                ListingBench.class, LayoutBench.class, RelatedBench.class, BulkBench.class, SentStatements.Wiring.class);
        try (ConfigurableApplicationContext context = application.run("--server.port=0", "--pressboard.demo=true",
                "--logging.level.org.pressboard=error", "--pressboard.shortest-filling=0s",
                        "--pressboard.proxies=127.0.0.1,0:0:0:0:0:0:0:1")) {
            int port = Integer.parseInt(context.getEnvironment().getProperty("local.server.port", "0"));
            BenchTables tables = context.getBean(BenchTables.class);
            tables.make(BenchTables.SMALL);
            tables.make(BenchTables.LARGE);
            Report report = new Report();
            List<String> parts = arguments.length == 0 ? List.of("bulk", "listing", "layout", "related", "throughput",
                    "people", "harm", "crowd") : List.of(arguments);
            if (parts.contains("listing")) {
                context.getBean(ListingBench.class).run(report);
            }
            if (parts.contains("vast")) {
                tables.make(BenchTables.VAST);
                context.getBean(ListingBench.class).vast(report);
            }
            if (parts.contains("layout")) {
                context.getBean(LayoutBench.class).run(report);
            }
            if (parts.contains("related")) {
                context.getBean(RelatedBench.class).run(report);
            }
            if (parts.contains("throughput")) {
                ownRows(context);
                new ThroughputBench().run(report, port, startBare(context));
            }
            if (parts.contains("people")) {
                BareApplication.updating(context.getBean(javax.sql.DataSource.class));
                new PeopleBench(context, port, startBare(context)).run(report);
            }
            if (parts.contains("bulk")) {
                context.getBean(BulkBench.class).run(report, port);
            }
            if (parts.contains("harm")) {
                new HarmBench(port, BenchTables.listing(BenchTables.LARGE).key().name()).run(report);
            }
            if (parts.contains("crowd")) {
                new HarmBench(port, BenchTables.listing(BenchTables.LARGE).key().name()).crowd(report);
            }
        }
    }

    /** A page on which each sees the trees that they keep. */
    private static void ownRows(ConfigurableApplicationContext context) {
        PageKey page = new PageKey("mine");
        TableKey trees = new TableKey("trees");
        Condition own = new Clause(new FieldKey("keeper").through(new FieldKey("e_mail")), Comparison.IS, List.of(Operand.OfVisitor.EMAIL))
                .condition();
        Catalog catalog = context.getBean(Catalog.class);
        if (catalog.page(page).isEmpty()) {
            catalog.addPage(new Page(page, "Mine", List.of(Listing.plain(new ListingKey("mine"), trees, catalog.published()
                    .listing(new ListingKey("trees")).orElseThrow().listing().shown()).keeping(own))));
        }
        context.getBean(Publisher.class).publish(page, Map.of(trees, Openness.EVERYONE, new TableKey("members"),
                Openness.MEMBERS), null);
    }

    private static int startBare(ConfigurableApplicationContext context) {
        Catalog catalog = context.getBean(Catalog.class);
        Listing listing = catalog.published().edition(new PageKey("varieties")).orElseThrow().page().listings()
                .getFirst();
        Visit visit = Visit.of(new Caller(null, Visitor.ANYONE, null, ""), catalog.published(), 0, LocalDateTime.now());
        Sheet sheet = context.getBean(Sheets.class).sheet(Asking.of(new Stand.Published(new PageKey("varieties")), visit, listing,
                AddressPart.whole(Map.of())));
        List<String> headings = new ArrayList<>();
        sheet.frame().headings().forEach(heading -> headings.add(heading.label()));
        List<BareApplication.BareRow> rows = sheet.lines().stream().map(line -> new BareApplication.BareRow(
                line.cells().stream().map(cell -> cell.text()).toList())).toList();
        return BareApplication.start(headings, rows);
    }
}
