package org.pressboard.site;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.catalog.Catalog;
import org.pressboard.edition.PageKey;
import org.pressboard.grant.Openness;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.Suggestion;
import org.pressboard.schema.HostedTables;
import org.pressboard.schema.Publisher;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Many pages, many tables, and words and numbers without end. */
class LayoutTest extends InBrowser {

    private static final String LONG_HEADING = "Antidisestablishment" + "arianism".repeat(6);
    private static final Table ENDLESS = new Table(new TableKey("endless"), "Endless", new Fields(List.of(
            new Field(new FieldKey("name"), LONG_HEADING, new Textual.Text()),
            new Field(new FieldKey("number"), "Number of a length that nobody would give a column", new Textual.Text()),
            new Field(new FieldKey("kind"), "Kind", Chosen.Choice.of(List.of("x".repeat(58)))))));

    @Autowired
    private Catalog catalog;

    @Autowired
    private HostedTables tables;

    @Autowired
    private Publisher publisher;

    @Autowired
    private DSLContext sql;

    @Autowired
    private PlatformTransactionManager transactions;

    private void publish(int pages) {
        new TransactionTemplate(transactions).executeWithoutResult(status -> {
            tables.create(ENDLESS);
            catalog.addTable(ENDLESS);
            sql.execute("insert into hosted.endless (name, number, kind) select repeat('w', 70) || i, "
                    + "repeat('1234567890', 4), repeat('x', 58) from generate_series(1, 3) i");
            for (int i = 1; i <= pages; i++) {
                PageKey key = new PageKey("endless-" + i);
                Listing listing = Suggestion.forTable(ENDLESS, new ListingKey(key.name()), field -> true);
                catalog.addPage(new org.pressboard.edition.Page(key, "A page of a longer title " + i, List.of(listing)));
                publisher.publish(key, Map.of(ENDLESS.key(), Openness.EVERYONE), null);
            }
        });
    }

    @AfterEach
    void removeTheTable() {
        closePages();
        publisher.remove(ENDLESS.key());
    }

    @Test
    void ofManyTabsTheCurrentOneIsInSight() {
        publish(14);
        for (Page page : List.of(desktop(), phone(), withoutScripts())) {
            page.navigate(address("/endless-14"));
            assertThat(page.locator(".tab[aria-current]").evaluate("tab => { const at = tab.getBoundingClientRect(); "
                    + "return at.left >= 0 && at.right <= innerWidth; }")).isEqualTo(true);
        }
    }

    @Test
    void nothingWithoutEndPushesAPageSideways() {
        publish(1);
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/pages/endless-1"));
        Page wide = desktop();
        wide.navigate(address("/endless-1"));
        Page narrow = phone();
        narrow.navigate(address("/endless-1"));
        for (Page page : List.of(owner, wide, narrow)) {
            assertThat(page.evaluate("() => document.documentElement.scrollWidth <= innerWidth")).isEqualTo(true);
        }
        double heading = wide.locator(".table th").first().boundingBox().width;
        assertThat(heading).isBetween(150.0, 600.0);
        assertThat(narrow.locator(".table td").evaluateAll("cells => cells.every(cell => "
                + "cell.getBoundingClientRect().right <= innerWidth)")).isEqualTo(true);
    }

    @Test
    void thePlaceForAFileIsAboveAllTables() {
        publish(1);
        Page owner = signedIn("owner@example.org");
        owner.navigate(address("/desk/tables"));
        assertThat(owner.locator(".drop").boundingBox().y)
                .isLessThan(owner.locator(".table-desk").boundingBox().y);
    }

    @Test
    void whatIsNotHereStandsWhereEveryPageBegins() {
        publish(1);
        Page page = page(new com.microsoft.playwright.Browser.NewContextOptions().setViewportSize(1800, 900));
        List<Double> left = IntStream.range(0, 2).mapToObj(i -> {
            page.navigate(address(i == 0 ? "/endless-1" : "/nowhere"));
            return page.locator("h1").boundingBox().x;
        }).toList();
        assertThat(left.get(1)).isEqualTo(left.get(0));
        forgiveConsole("404");
    }
}
