package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.math.BigDecimal;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.bulk.Carrying;
import org.pressboard.bulk.CsvOut;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Openness;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.listing.RowPage;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.rows.RowPicker;
import org.pressboard.rows.Rows;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** What comes from a row that a visitor may not see is nowhere: not shown, searched, narrowed by, sorted, carried away. */
class SightTest extends StoreTest {

    private static final List<FieldKey> SHOWN = List.of(OrchardTables.CODE, OrchardTables.VARIETY,
            OrchardTables.BORROWED, OrchardTables.TITLE, OrchardTables.PICKED);

    @Autowired
    private RowEditing editing;

    @Autowired
    private TableChanges changes;

    @Autowired
    private Rows rows;

    @Autowired
    private CsvOut csv;

    @Autowired
    private RowPicker picker;

    private OrchardTables orchard;
    private RowId open;
    private RowId secret;

    @BeforeEach
    void anOpenAndASecretKind() {
        orchard = OrchardTables.make(changes, OWNER, Referring.OnRemoval.REFUSE);
        orchard.compute(changes, OWNER);
        open = editing.add(orchard.varieties.key(), OrchardTables.kind("Open"), OWNER).row();
        secret = editing.add(orchard.varieties.key(), OrchardTables.kind("Aasecret"), OWNER).row();
        RowId first = editing.add(orchard.trees.key(), OrchardTables.tree("T-1", open), OWNER).row();
        RowId second = editing.add(orchard.trees.key(), OrchardTables.tree("T-2", secret), OWNER).row();
        editing.add(orchard.pickings.key(), OrchardTables.picking(first, "1"), OWNER);
        editing.add(orchard.pickings.key(), OrchardTables.picking(second, "2"), OWNER);
        publisher.open(orchard.trees.key(), Openness.EVERYONE);
        publisher.grant(orchard.varieties.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE,
                Condition.compare(OrchardTables.NAME, Operator.DIFFERS, Value.of("Aasecret"))))));
    }

    private RowQuery asked(Visitor visitor, Condition sought, List<SortBy> order) {
        var sight = catalog.published().sight(visitor, orchard.trees.key());
        return new RowQuery(sight, visitor, visitor.at(Cases.midnight()), sight.rows(orchard.trees.key()), sought, order, 1,
                25, SHOWN);
    }

    private List<String> codes(Visitor visitor, Condition sought, List<SortBy> order) {
        return rows.page(asked(visitor, sought, order), Locale.ENGLISH).rows().stream()
                .map(row -> ((Value.Text) row.find(OrchardTables.CODE).orElseThrow()).text()).toList();
    }

    @Test
    void itIsNotShownButTheRowAndItsTallyAre() {
        RowPage page = rows.page(asked(Visitor.ANYONE, Condition.ALWAYS, List.of()), Locale.ENGLISH);
        assertThat(page.rows().get(0).find(OrchardTables.VARIETY)).contains(new Value.Referred(open, "Open"));
        var hidden = page.rows().get(1);
        assertThat(hidden.find(OrchardTables.VARIETY)).isEmpty();
        assertThat(hidden.find(OrchardTables.BORROWED)).isEmpty();
        assertThat(hidden.find(OrchardTables.TITLE)).contains(Value.of("T-2, "));
        assertThat(hidden.find(OrchardTables.PICKED)).contains(Value.of(new java.math.BigDecimal("2")));
        assertThat(rows.page(asked(Visitor.staff("owner@example.org"), Condition.ALWAYS, List.of()), Locale.ENGLISH)
                .rows().get(1).find(OrchardTables.BORROWED)).contains(Value.of("Aasecret"));
    }

    @Test
    void itIsNeitherSearchedNorNarrowedByNorSorted() {
        for (FieldKey field : List.of(OrchardTables.VARIETY, OrchardTables.BORROWED, OrchardTables.TITLE)) {
            for (Condition words : List.of(Condition.compare(field, Operator.CONTAINS, Value.of("aasec")),
                    new Condition.Mentions(List.of(field, OrchardTables.CODE), "aasec"))) {
                assertThat(codes(Visitor.ANYONE, words, List.of())).as("%s", words).isEmpty();
                assertThat(rows.count(asked(Visitor.ANYONE, words, List.of()), Locale.ENGLISH).atLeast()).isZero();
                assertThat(codes(Visitor.staff(""), words, List.of())).as("%s", words).containsExactly("T-2");
            }
        }
        Condition picked = Condition.oneOf(OrchardTables.VARIETY, List.of(new Value.Referred(secret, "")));
        assertThat(codes(Visitor.ANYONE, picked, List.of())).isEmpty();
        assertThat(codes(Visitor.staff(""), picked, List.of())).containsExactly("T-2");
        for (FieldKey field : List.of(OrchardTables.VARIETY, OrchardTables.BORROWED)) {
            assertThat(codes(Visitor.ANYONE, Condition.ALWAYS, List.of(SortBy.up(field)))).containsExactly("T-1", "T-2");
            assertThat(codes(Visitor.staff(""), Condition.ALWAYS, List.of(SortBy.up(field))))
                    .containsExactly("T-2", "T-1");
        }
    }

    @Test
    void itIsNotCarriedAwayNorOfferedToPick() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var spool = csv.read(asked(Visitor.ANYONE, Condition.ALWAYS, List.of()), Locale.ENGLISH,
                SpreadsheetCells.HARMLESS, Carrying.UNWATCHED)) {
            spool.copyTo(out);
        }
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("T-2").doesNotContain("secret");
        var sight = catalog.published().sight(Visitor.ANYONE, orchard.varieties.key());
        assertThat(picker.find(sight, Visitor.ANYONE, Cases.NOBODY, "", Locale.ENGLISH))
                .extracting(Value.Referred::heading).containsExactly("Open");
        assertThat(picker.headings(sight, Visitor.ANYONE, Cases.NOBODY, List.of(secret))).isEmpty();
    }

    @Test
    void aChangedHeadingIsSeenAtOnceWhereItIsReferredTo() {
        SortBy byCode = SortBy.up(OrchardTables.CODE);
        RowQuery query = asked(Visitor.ANYONE, Condition.ALWAYS, List.of(byCode));
        long before = rows.revision(query);
        assertThat(rows.page(query, Locale.ENGLISH).rows().getFirst().find(OrchardTables.BORROWED))
                .contains(Value.of("Open"));
        editing.change(orchard.varieties.key(), open, java.util.Map.of(OrchardTables.NAME,
                java.util.Optional.of(Value.of("Open"))), java.util.Map.of(OrchardTables.NAME,
                java.util.Optional.of(Value.of("Opened"))), OWNER);
        org.pressboard.testing.Eventually.holds(() -> rows.revision(query) != before
                && rows.page(query, Locale.ENGLISH).rows().getFirst().find(OrchardTables.BORROWED)
                .equals(java.util.Optional.of(Value.of("Opened"))));
    }

    /** One field of rows that are otherwise hidden, for all who see the rows that show it. */
    @Test
    void aFieldCanBeOpenedToAllWhoSeeTheRow() {
        for (FieldKey key : List.of(OrchardTables.VARIETY, OrchardTables.BORROWED)) {
            var trees = catalog.table(orchard.trees.key()).orElseThrow();
            changes.changeField(trees.key(), trees.field(key).opened(true), OWNER);
            List<Row> shown = rows.page(asked(Visitor.ANYONE, new Condition.Mentions(List.of(key), "aasec"), List.of()),
                    Locale.ENGLISH).rows();
            assertThat(shown).as("%s", key).singleElement()
                    .satisfies(row -> assertThat(row.get(OrchardTables.CODE)).isEqualTo(Value.of("T-2")));
            assertThat(shown.getFirst().find(key)).isPresent();
            assertThat(codes(Visitor.ANYONE, Condition.ALWAYS, List.of(SortBy.up(key)))).containsExactly("T-2", "T-1");
            // of the table itself they still get nothing
            assertThat(picker.find(catalog.published().sight(Visitor.ANYONE, orchard.varieties.key()), Visitor.ANYONE,
                    Visitor.ANYONE.at(Cases.midnight()), "aasec", Locale.ENGLISH)).isEmpty();
            changes.changeField(trees.key(), catalog.table(trees.key()).orElseThrow().field(key).opened(false), OWNER);
            assertThat(codes(Visitor.ANYONE, new Condition.Mentions(List.of(key), "aasec"), List.of())).isEmpty();
        }
    }

    @Test
    void aTallyIsOfAllRowsUnlessItsOwnerSaysOtherwise() {
        FieldKey seen = new FieldKey("picked_seen");
        changes.addField(orchard.trees.key(), Field.computed(seen, "Picked, seen", new Computed.Tally(
                orchard.pickings.key(), OrchardTables.TREE, Computed.Measure.SUM, OrchardTables.KILOGRAMS,
                Condition.ALWAYS, null, null, new Computed.Floor(Value.of(new BigDecimal("0.5")), null), true)), OWNER);
        assertThat(picked(Visitor.ANYONE, seen)).containsExactly("0.5", "0.5");
        publisher.grant(orchard.pickings.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE,
                Condition.compare(OrchardTables.KILOGRAMS, Operator.GREATER, Value.of(1))))));
        assertThat(picked(Visitor.ANYONE, seen)).containsExactly("0.5", "2");
        assertThat(picked(Visitor.staff(""), seen)).containsExactly("1", "2");
        assertThat(codes(Visitor.ANYONE, Condition.compare(seen, Operator.GREATER, Value.of(1)),
                List.of(SortBy.down(seen)))).containsExactly("T-2");
        assertThat(codes(Visitor.ANYONE, Condition.ALWAYS, List.of(SortBy.down(seen)))).containsExactly("T-2", "T-1");
    }

    private List<String> picked(Visitor visitor, FieldKey field) {
        var sight = catalog.published().sight(visitor, orchard.trees.key());
        return rows.page(new RowQuery(sight, visitor, visitor.at(Cases.midnight()), sight.rows(orchard.trees.key()),
                        Condition.ALWAYS, List.of(), 1, 25, List.of(field)), Locale.ENGLISH).rows().stream()
                .map(row -> row.find(field).map(PlainForm::write).orElse("")).toList();
    }
}
