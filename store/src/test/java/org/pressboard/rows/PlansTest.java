package org.pressboard.rows;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jooq.ExecuteContext;
import org.jooq.ExecuteListener;
import org.jooq.ExecuteListenerProvider;
import org.jooq.impl.DSL;
import org.jooq.impl.DefaultConfiguration;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.AddressPart;
import org.pressboard.listing.Finding;
import org.pressboard.listing.Listing;
import org.pressboard.listing.ListingKey;
import org.pressboard.listing.SortBy;
import org.pressboard.listing.Ordering;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.StateAddress;
import org.pressboard.schema.Indexes;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Tables;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.springframework.beans.factory.annotation.Autowired;

/** How PostgreSQL finds a page of many rows, in the shapes that are measured too: never by going through all of them. */
class PlansTest extends StoreTest {

    private static final int ROWS = 200_000;
    private static final int GROWERS = 5_000;
    private static final TableKey PICKS = new TableKey("planned_picks");
    private static final TableKey GROWER_TABLE = new TableKey("planned_growers");
    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey WEIGHT = new FieldKey("weight");
    private static final FieldKey PLACE = new FieldKey("place");
    private static final FieldKey GROWER = new FieldKey("grower");
    private static final FieldKey REGION = new FieldKey("region");
    private static final FieldKey TOTAL = new FieldKey("total");
    private static final FieldKey SHELF = new FieldKey("shelf");
    private static final FieldKey ENTERED = new FieldKey("entered");

    @Autowired
    private Rows rows;

    @Autowired
    private Indexes indexes;

    @Autowired
    private TableChanges changes;

    private final List<String> sent = new ArrayList<>();

    private final class Noting implements ExecuteListener {

        @Override
        public void executeStart(ExecuteContext context) {
            if (context.query() != null && context.sql() != null && context.sql().startsWith("select")) {
                sent.add(DSL.using(context.configuration()).renderInlined(context.query()));
            }
        }
    }

    private final ExecuteListenerProvider noting = Noting::new;

    @BeforeEach
    void makeManyRows() throws SQLException {
        changes.make("Planned growers", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(REGION, "Region", new Textual.Text()))), OWNER);
        changes.make("Planned picks", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(WEIGHT, "Weight", new Numeric.WholeNumber(true)),
                new Field(PLACE, "Place", new Textual.Text()),
                new Field(SHELF, "Shelf", new Numeric.WholeNumber(true)),
                new Field(GROWER, "Grower", new Referring.Reference(GROWER_TABLE, Referring.OnRemoval.CLEAR)))), OWNER);
        changes.addField(PICKS, Field.computed(new FieldKey("from_region"), "From",
                new Computed.Borrowed(List.of(GROWER), REGION)), OWNER);
        changes.addField(PICKS, Field.computed(ENTERED, "Entered", new Computed.Noted(Computed.Note.ADDED)), OWNER);
        inTransaction(() -> {
            sql.execute("insert into hosted.planned_growers (name, region) select 'Grower ' || i, 'Region ' || i % 50 "
                    + "from generate_series(1, " + GROWERS + ") i");
            sql.execute("insert into hosted.planned_picks (name, weight, shelf, place, grower, added_at) select md5(i::text) || "
                    + "case when i % 50000 = 17 then ' quincelike' else '' end, (i * 7919) % 100003, (i * 7907) % 100019, 'Row ' || i % 40, "
                    + "1 + i % " + GROWERS + ", timestamptz '2026-01-01' + i * interval '1 minute' from generate_series(1, " + ROWS + ") i");
        });
        changes.addField(GROWER_TABLE, Field.computed(TOTAL, "Total", new Computed.Tally(PICKS, GROWER,
                Computed.Measure.SUM, WEIGHT, org.pressboard.condition.Condition.ALWAYS, null, null, Computed.Floor.NONE)),
                OWNER);
        indexes.make(catalog.tables(), picks(), ENGLISH);
        indexes.make(catalog.tables(), growers(), ENGLISH);
        inTransaction(() -> {
            sql.execute("analyze hosted.planned_picks");
            sql.execute("analyze hosted.planned_growers");
        });
    }

    @AfterEach
    void removeThem() {
        ((DefaultConfiguration) sql.configuration()).setExecuteListenerProvider(new ExecuteListenerProvider[0]);
        publisher.remove(PICKS, GROWER_TABLE);
    }

    private static Listing picks() {
        return Listing.plain(new ListingKey("picks"), PICKS, List.of(NAME, WEIGHT, PLACE, GROWER, new FieldKey("from_region"),
                ENTERED)).with(Ordering.by(List.of(SortBy.down(SHELF))))
                .with(Finding.by(List.of(NAME), List.of(PLACE, WEIGHT)));
    }

    private static Listing growers() {
        return Listing.plain(new ListingKey("growers"), GROWER_TABLE, List.of(NAME, REGION, TOTAL));
    }

    @Test
    void aPageOfManyRowsIsFoundByIndexes() {
        assertThat(isScanned("select name, place from hosted.planned_picks where weight + 1 = 5")).isTrue();
        for (String query : List.of("", "q=quincelike", "sort=-weight", "sort=name", "sort=weight,-name",
                "f.place=Row 7&sort=-weight", "f.place=Row 7&f.weight.from=500&f.weight.to=600", "sort=-weight&page=300",
                "page=5000", "sort=-entered", "sort=entered&page=300",
                "f.place=Row 7&sort=-entered")) {
            assertThat(scanned(picks(), query)).as(query).isEmpty();
        }
        for (String query : List.of("sort=-total", "sort=-total&page=20")) {
            assertThat(scanned(growers(), query)).as(query).isEmpty();
        }
    }

    /** The tables of which a page goes through all rows. */
    private List<String> scanned(Listing listing, String query) {
        Tables tables = catalog.tables();
        Table table = tables.get(listing.table());
        Map<String, List<String>> parameters = new java.util.LinkedHashMap<>();
        for (String part : query.split("&")) {
            if (!part.isEmpty()) {
                parameters.put(part.split("=")[0], List.of(part.split("=")[1]));
            }
        }
        RowQuery asked = RowQuery.of(listing, Sight.whole(tables, table.key()), Visitor.staff(""),
                new StateAddress(listing, table, AddressPart.whole(parameters)).read().state(), Cases.NOBODY);
        ((DefaultConfiguration) sql.configuration()).setExecuteListenerProvider(noting);
        sent.clear();
        assertThat(rows.rows(asked, ENGLISH)).isNotEmpty();
        ((DefaultConfiguration) sql.configuration()).setExecuteListenerProvider(new ExecuteListenerProvider[0]);
        assertThat(sent).anyMatch(each -> each.contains(table.key().name()));
        return sent.stream().filter(each -> each.contains("hosted")).filter(this::isScanned).toList();
    }

    private boolean isScanned(String statement) {
        return Boolean.TRUE.equals(inTransaction(() -> String.join("\n", sql.fetch("explain " + statement)
                .getValues(0, String.class)).contains("Seq Scan on planned_")));
    }
}
