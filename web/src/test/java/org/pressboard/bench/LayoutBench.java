package org.pressboard.bench;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Layout.LayoutKind;
import org.pressboard.listing.Listing;
import org.pressboard.listing.NarrowBy;
import org.pressboard.listing.Opening;
import org.pressboard.rows.FieldCounts;
import org.pressboard.rows.Rows;
import org.pressboard.sheet.Sheets;
import org.pressboard.sieve.Sieve;
import org.pressboard.stand.Asking;
import org.pressboard.stand.Stand;
import org.pressboard.value.FieldKey;
import org.pressboard.visit.Caller;
import org.pressboard.visit.Visit;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * A listing of a million rows as it is drawn in each layout, searched, narrowed twice and sorted; what is counted beside it;
 * a row opened; and the proof and the sieve behind a change of the ticket. Beside each, the page of rows alone.
 */
class LayoutBench {

    private static final int ROUNDS = 40;
    private static final Locale LANGUAGE = BenchTables.LANGUAGE;
    private static final String QUERY = "?q=windfall&f.use=Cider&f.picked.from=2000-01-01&sort=-kilograms";

    /** Words of the rows as nobody spells them: of one in forty rows, of one in 50,000, of one in five, and none at all. */
    private static final List<String> MISSPELT = List.of("windfell", "quincelyke", "reinete", "windfell reinete", "thermometer");

    private static final Stand STAND = new Stand.Published(new PageKey("harvest-1000000"));

    private final ListingBench tables;
    private final Rows rows;
    private final FieldCounts counts;
    private final Sheets sheets;
    private final Catalog catalog;

    LayoutBench(ListingBench tables, Rows rows, FieldCounts counts, Sheets sheets, Catalog catalog) {
        this.tables = tables;
        this.rows = rows;
        this.counts = counts;
        this.sheets = sheets;
        this.catalog = catalog;
    }

    private interface Work {

        void on(Asking asking);
    }

    void run(Report report) throws Exception {
        report.heading("Drawn at 1,000,000 rows, searched, narrowed twice and sorted (ms, p95): ours, the page of rows alone");
        for (LayoutKind layout : LayoutKind.values()) {
            measure(report, layout.name().toLowerCase(Locale.ROOT), layout, this::draw, "with its controls");
        }
        measure(report, "a row opened", LayoutKind.TABLE, this::open, "its page or slip, with those before and behind it");
        report.heading("Nothing found at 1,000,000 rows, with what is nearly so (ms, p95), to reach 100: ours, the page of rows alone");
        for (String words : MISSPELT) {
            measure(report, words, LayoutKind.TABLE, "?q=" + words, this::draw, "");
        }
        measure(report, "windfell, with two filters", LayoutKind.TABLE, QUERY.replace("windfall", "windfell"), this::draw, "and what to drop");
        report.heading("Counted beside it at 1,000,000 rows (ms, p95): ours, the page of rows alone");
        measure(report, "rows of each use, tags", LayoutKind.TABLE, asking -> counts.byValue(asking.rowQuery(),
                new FieldKey("use"), List.of(), LANGUAGE), "does not hold up the rows");
        measure(report, "distribution of kilograms, bars", LayoutKind.TABLE, asking -> counts.distribution(asking.rowQuery(),
                new FieldKey("kilograms"), LANGUAGE), "does not hold up the rows");
        report.heading("Behind a change of the ticket at 1,000,000 rows (ms, p95), to reach 500: ours, the page of rows alone");
        measure(report, "proof", LayoutKind.CARDS, this::draw, "");
        measure(report, "sieve", LayoutKind.TABLE, asking -> new Sieve(asking.listing(), asking.rowQuery()).counted()
                .forEach(query -> rows.count(query, LANGUAGE)), "");
    }

    private void draw(Asking asking) {
        sheets.sheet(asking).drawRows(new StringBuilder());
    }

    private void open(Asking asking) {
        sheets.open(asking, "500000").orElseThrow();
    }

    private void measure(Report report, String name, LayoutKind layout, Work work, String note) throws Exception {
        measure(report, name, layout, QUERY, work, note);
    }

    private void measure(Report report, String name, LayoutKind layout, String query, Work work, String note) throws Exception {
        Timing[] timing = Timing.alternating(ROUNDS, timed(layout, query, work), timed(LayoutKind.TABLE, query,
                asking -> rows.page(asking.rowQuery(), LANGUAGE)));
        report.p95(name, timing, note);
    }

    private Timing.Work timed(LayoutKind layout, String query, Work work) {
        return new Timing.Work() {
            @Override
            public void prepare() throws Exception {
                tables.change(BenchTables.LARGE);
            }

            @Override
            public void run(int round) {
                work.on(asking(layout, query));
            }

            @Override
            public void settle() throws Exception {
                tables.settled();
            }
        };
    }

    private Asking asking(LayoutKind layout, String query) {
        Listing plain = BenchTables.listing(BenchTables.LARGE);
        Listing listing = plain.with(plain.show().in(layout)).with(Opening.NONE.by(Opening.How.PAGE))
                .with(plain.find().changing(new FieldKey("use"), control -> control.by(NarrowBy.ControlKind.TAGS, false, false)));
        Visit visit = Visit.of(new Caller(null, Visitor.staff("bench"), null, ""), catalog.published(), 0, LocalDateTime.now());
        return Asking.of(STAND, visit, listing, AddressPart.whole(UriComponentsBuilder.fromUriString(query).build().getQueryParams()));
    }
}
