package org.pressboard.bench;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.net.Socket;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.pressboard.catalog.Catalog;
import org.pressboard.catalog.PublishedSite;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Changing;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.Ordering;
import org.pressboard.member.Members;
import org.pressboard.rows.Rows;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.site.HiddenInput;
import org.pressboard.stand.Asking;
import org.pressboard.stand.Stand;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Visit;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** What members see, send and change among a million rows, and how soon others see it. */
final class PeopleBench {

    private static final int ROUNDS = 60;
    private static final int WARM_UP = 400;
    private static final int WARM_UP_IN_PLACE = 2_500;
    private static final int PEOPLE = 200;
    private static final int OPEN_PAGES = 1_000;
    private static final long MINUTE_NANOS = 60_000_000_000L;
    private static final FieldKey WHO = new FieldKey("who");
    private static final FieldKey DAY = new FieldKey("day");
    private static final FieldKey KILOS = new FieldKey("kilos");
    private static final ListingKey OWN = new ListingKey("own");

    private final ConfigurableApplicationContext context;
    private final DSLContext sql;
    private final Catalog catalog;
    private final DataSource database;
    private final String site;
    private final int barePort;

    PeopleBench(ConfigurableApplicationContext context, int port, int barePort) {
        this.context = context;
        this.sql = context.getBean(DSLContext.class);
        this.catalog = context.getBean(Catalog.class);
        this.database = context.getBean(DataSource.class);
        this.site = "http://localhost:" + port;
        this.barePort = barePort;
    }

    void run(Report report) throws Exception {
        make();
        ownRows(report);
        proof(report);
        inPlace(report);
        openPages(report);
        adding(report);
    }

    /** A million rows, a hundred of them Mira's. */
    private void make() {
        TableKey key = new TableKey("own_rows");
        if (catalog.page(new PageKey("own")).isPresent()) {
            return;
        }
        System.err.println("making a table of a million rows of members");
        Author author = new Author(null, "bench", Author.Origin.DEMO);
        TableChanges changes = context.getBean(TableChanges.class);
        Table table = catalog.table(key).isPresent() ? catalog.table(key).orElseThrow() : changes.make("Own rows",
                new Fields(List.of(new Field(new FieldKey("name"), "Name", new Textual.Text()),
                new Field(WHO, "Who", new Referring.Person(new TableKey("members"), Referring.OnRemoval.CLEAR)),
                new Field(DAY, "Day", new Temporal.Date()), new Field(KILOS, "Kilos", new Numeric.Decimal(1)))), author);
        changes.change(table.ownedBy(WHO), author);
        new TransactionTemplate(context.getBean(PlatformTransactionManager.class)).executeWithoutResult(status -> {
            sql.execute("set local statement_timeout = 0");
            sql.execute("alter table hosted.own_rows disable trigger user");
            sql.execute("insert into hosted.own_rows (name, who, day, kilos) select 'Row ' || i, case when i % 10000 = 7 then mira.row_id "
                    + "else others.numbers[1 + i % 90] end, date '2020-01-01' + i % 2000, i % 900 / 10.0 "
                    + "from generate_series(1, 1000000) i, (select row_id from hosted.members where e_mail = 'mira@example.org') mira, "
                    + "(select array_agg(row_id order by row_id) as numbers from (select row_id from hosted.members where e_mail <> 'mira@example.org' "
                    + "order by row_id limit 90) few) others");
            sql.execute("alter table hosted.own_rows enable trigger user");
            sql.execute("analyze hosted.own_rows");
            catalog.addPage(new Page(new PageKey("own"), "Own", List.of(Listing.plain(OWN, key,
                    List.of(new FieldKey("name"), DAY, KILOS)).with(Ordering.by(List.of(new SortBy(DAY, true))))
                    .with(Changing.NOTHING.with(true, true, true).inPlace(true)))));
        });
        Publisher publisher = context.getBean(Publisher.class);
        publisher.grant(key, new Grants(Verb.of(false).stream().map(verb -> Grant.ofOwn(Audience.MEMBERS, verb)).toList()));
        publisher.publish(new PageKey("own"), Map.of(), null);
    }

    private void ownRows(Report report) throws Exception {
        report.heading("A member's 100 rows of 1,000,000 (ms, p95): ours, the same statements by plain JDBC; to reach 1.3 x + 5 ms");
        Rows rows = context.getBean(Rows.class);
        RowQuery query = query();
        for (int i = 0; i < WARM_UP; i++) {
            change();
            rows.page(query, Locale.UK);
        }
        change();
        SentStatements.start();
        rows.page(query, Locale.UK);
        List<SentStatements.Statement> statements = SentStatements.stop();
        Timing[] timing = Timing.alternating(ROUNDS, changing(() -> rows.page(query, Locale.UK)),
                changing(() -> new PlainJdbc(database).send(statements)));
        report.p95("own rows", timing, statements.size() + " statements");
    }

    private interface Step {

        void take() throws Exception;
    }

    private Timing.Work changing(Step step) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                change();
            }

            @Override
            public void run(int round) throws Exception {
                step.take();
            }
        };
    }

    private RowQuery query() {
        Visitor mira = context.getBean(Members.class).find("mira@example.org").map(row -> row.id())
                .flatMap(context.getBean(Members.class)::visitor).orElseThrow();
        PublishedSite published = catalog.published();
        Listing listing = published.listing(OWN).orElseThrow().listing();
        Visit visit = Visit.of(new Caller(null, mira, null, ""), published, 0, LocalDateTime.now());
        return Asking.of(new Stand.Published(new PageKey(OWN.name())), visit, listing, AddressPart.whole(Map.of())).rowQuery();
    }

    private void change() throws SQLException {
        Rows rows = context.getBean(Rows.class);
        RowQuery query = query();
        long before = rows.revision(query);
        try (Connection connection = database.getConnection()) {
            connection.createStatement().execute("update hosted.own_rows set changed_at = now() where row_id = 11");
            connection.commit();
        }
        while (rows.revision(query) == before) {
            Thread.onSpinWait();
        }
    }

    private void proof(Report report) throws Exception {
        report.heading("The draft as another member, over HTTP (ms, p95): to reach 500");
        Visits owner = Visits.signedIn(site, "owner@example.org", "198.51.100.1");
        Timing[] timing = Timing.alternating(ROUNDS / 2, changing(() -> expect(200,
                owner.get("/desk/seen/mira@example.org/own"))),
                changing(() -> expect(200, owner.get("/desk/proof/own"))));
        report.p95("as Mira, beside as the owner", timing, "");
    }

    private static void expect(int status, HttpResponse<String> answer) {
        if (answer.statusCode() != status) {
            throw new IllegalStateException(answer.statusCode() + " at " + answer.uri() + ": " + answer.body());
        }
    }

    private void inPlace(Report report) throws Exception {
        report.heading("One value changed in place, a bare UPDATE through Spring MVC (ms, p95): to reach 1.5 x");
        Visits mira = Visits.signedIn(site, "mira@example.org", "198.51.100.2");
        Visits bare = new Visits("http://localhost:" + barePort, "198.51.100.3");
        long row = 7;
        String path = "/listings/own/rows/" + row + "/value/kilos";
        String token = HiddenInput.of(mira.get(path).body(), "_csrf");
        String[] value = {"1.1", String.valueOf(sql.fetchSingle("select kilos from hosted.own_rows where row_id = 7")
                .get(0))};
        AtomicInteger address = new AtomicInteger();
        Timing.Work ours = round -> {
            String next = value[1].equals("2.2") ? "3.3" : "2.2";
            HttpResponse<String> kept = mira.at("198.51.101." + address.incrementAndGet() % 250).post(path,
                    Map.of("_csrf", token, "was.kilos", value[1], "v.kilos", next));
            if (!kept.body().contains("Changed.")) {
                throw new IllegalStateException(kept.body());
            }
            value[1] = next;
        };
        Timing.Work plain = round -> expect(200, bare.post("/bare-update", Map.of("row", "17", "kilos",
                round % 2 == 0 ? "2.2" : "3.3")));
        // until what runs is compiled
        Timing.alternating(WARM_UP_IN_PLACE, ours, plain);
        Timing[] timing = Timing.alternating(WARM_UP, ours, plain);
        report.p95("kilos of a row", timing, "ours checks grants, keeps history and what is searched");
    }

    private void openPages(Report report) throws Exception {
        report.heading("From a change to 1,000 open pages (ms): to reach 300");
        CountDownLatch open = new CountDownLatch(OPEN_PAGES);
        AtomicInteger failed = new AtomicInteger();
        long[] heard = new long[OPEN_PAGES];
        CountDownLatch all = new CountDownLatch(OPEN_PAGES);
        for (int i = 0; i < OPEN_PAGES; i++) {
            int page = i;
            Thread.ofVirtual().start(() -> {
                try (Socket socket = new Socket("localhost", Integer.parseInt(site.substring(site.lastIndexOf(':') + 1)))) {
                    socket.getOutputStream().write(("GET /listings/live.events?listing=trees"
                            + " HTTP/1.1\r\nHost: localhost\r\n"
                            + "X-Forwarded-For: 203.0." + page / 200 + "." + page % 200 + "\r\n\r\n")
                                    .getBytes(StandardCharsets.US_ASCII));
                    BufferedReader in = new BufferedReader(new InputStreamReader(socket.getInputStream(),
                            StandardCharsets.UTF_8));
                    in.lines().filter(":"::equals).findFirst().orElseThrow();
                    open.countDown();
                    in.lines().filter("event: rows"::equals).findFirst().orElseThrow();
                    heard[page] = System.nanoTime();
                } catch (Exception lost) {
                    failed.incrementAndGet();
                    open.countDown();
                }
                all.countDown();
            });
        }
        open.await();
        LockSupport.parkNanos(500_000_000);
        long start = System.nanoTime();
        try (Connection connection = database.getConnection()) {
            connection.createStatement().execute("update hosted.trees set changed_at = now() where row_id = 1");
            connection.commit();
        }
        all.await();
        long last = java.util.Arrays.stream(heard).max().orElseThrow();
        report.line(String.format(Locale.ROOT, "the last of 1,000 heard after %.0f ms; %d failed",
                (last - start) / 1e6, failed.get()));
    }

    private void adding(Report report) throws Exception {
        report.heading("200 people adding at once for a minute: to reach no failure, every acknowledged row there");
        sql.execute("set statement_timeout = 0");
        List<Visits> members = List.of(Visits.signedIn(site, "mira@example.org", "198.51.100.4"),
                Visits.signedIn(site, "tomas@example.org", "198.51.100.5"), Visits.signedIn(site, "odile@example.org",
                        "198.51.100.6"));
        int before = count();
        AtomicInteger taken = new AtomicInteger();
        AtomicInteger failed = new AtomicInteger();
        CountDownLatch done = new CountDownLatch(PEOPLE);
        long start = System.nanoTime();
        for (int i = 0; i < PEOPLE; i++) {
            Visits who = members.get(i % members.size()).at("203.1." + i / 200 + "." + i % 200);
            Thread.ofVirtual().start(() -> {
                try {
                    String form = who.get("/adopt/send/pledge").body();
                    Map<String, String> fields = Map.of("_csrf", HiddenInput.of(form, "_csrf"), "begun", HiddenInput.of(form, "begun"),
                            "was.tree", "",
                            "v.tree", "T-012", "was.amount", "", "v.amount", "30");
                    while (System.nanoTime() - start < MINUTE_NANOS) {
                        (who.post("/adopt/send/pledge", fields).statusCode() == 302 ? taken : failed).incrementAndGet();
                        LockSupport.parkNanos(600_000_000);
                    }
                } catch (Exception lost) {
                    failed.incrementAndGet();
                }
                done.countDown();
            });
        }
        done.await();
        report.line(taken + " sent, " + (count() - before) + " there, " + failed + " failed");
    }

    private int count() {
        return sql.fetchCount(DSL.table(DSL.name("hosted", "pledges")));
    }
}
