package org.pressboard.wiring;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jooq.DSLContext;
import org.pressboard.catalog.Catalog;
import org.pressboard.condition.Condition;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.history.Author;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.TakeAway;
import org.pressboard.schema.Publisher;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.springframework.boot.CommandLineRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The application as a process of its own, with a page at {@code /sightings}: a list of {@value #ROWS} rows to be taken away,
 * and a form that everybody may fill in and that takes pictures. No configuration by annotation, for the
 * application would find it in every test.
 */
class SmallSite {

    static final int ROWS = 100_000;

    private static final PageKey PAGE = new PageKey("sightings");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey PICTURE = new FieldKey("picture");
    private static final Author OWNER = new Author(null, "owner@example.org", Author.Origin.DESK);

    /** @param arguments settings, as for the application itself */
    public static void main(String[] arguments) {
        SpringApplication.run(new Class<?>[] {PressboardApplication.class, SmallSite.class}, arguments);
    }

    @Bean
    CommandLineRunner sightings(Catalog catalog, TableChanges changes, Publisher publisher, DSLContext sql,
            PlatformTransactionManager transactions) {
        return arguments -> {
            if (catalog.page(PAGE).isEmpty()) {
                new TransactionTemplate(transactions).executeWithoutResult(status -> make(catalog, changes, publisher, sql));
            }
        };
    }

    private static void make(Catalog catalog, TableChanges changes, Publisher publisher, DSLContext sql) {
        Table table = changes.make("Sightings", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(PICTURE, "Picture", new Attached.Picture()))), OWNER);
        sql.execute("insert into hosted.sightings (name) select 'Sighting ' || i from generate_series(1, {0}) i", ROWS);
        publisher.grant(table.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.ADD, Condition.ALWAYS))));
        Listing listing = Listing.plain(new ListingKey("sightings"), table.key(), List.of(NAME, PICTURE))
                .with(Finding.by(List.of(NAME), List.of())).takenAwayAs(Set.of(TakeAway.CSV, TakeAway.JSON));
        Form form = Form.plain(new FormKey("tell"), table.key(), "Tell us").asking(List.of(Question.of(NAME), Question.of(PICTURE)));
        catalog.addPage(new Page(PAGE, "Sightings", List.of(listing)).holding(List.of(form)));
        publisher.publish(PAGE, Map.of(table.key(), Openness.EVERYONE), null);
    }
}
