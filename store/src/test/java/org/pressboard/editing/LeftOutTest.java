package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.bulk.Carrying;
import org.pressboard.bulk.CsvOut;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Operator;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.form.Stamp;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.problem.Problem;
import org.pressboard.rows.FieldCounts;
import org.pressboard.rows.Rows;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** A field that a grant leaves out is nowhere: not shown, searched, narrowed by, sorted, added up, carried away, written. */
class LeftOutTest extends StoreTest {

    private static final Visitor MEMBER = Visitor.member("mira@example.org");
    private static final Author PAGE = new Author(null, "Mira", Author.Origin.PAGE);
    private static final Value FEW = Value.of(new BigDecimal("1"));

    @Autowired
    private RowEditing editing;

    @Autowired
    private VisitorEditing visiting;

    @Autowired
    private FormSending sending;

    @Autowired
    private TableChanges changes;

    @Autowired
    private Rows rows;

    @Autowired
    private FieldCounts counts;

    @Autowired
    private CsvOut csv;

    private OrchardTables orchard;
    private RowId first;

    /** Everyone sees all trees but what is in these fields; members see that of T-2. */
    @BeforeEach
    void leaveOut() {
        orchard = OrchardTables.make(changes, OWNER, Referring.OnRemoval.REFUSE);
        orchard.compute(changes, OWNER);
        RowId kind = editing.add(orchard.varieties.key(), OrchardTables.kind("Oak Pippin"), OWNER).row();
        first = tree("T-1", kind, "7");
        tree("T-2", kind, "5");
        tree("T-3", kind, "9");
        grant(Set.of(OrchardTables.LEAST), new Grant(Audience.MEMBERS, Verb.SEE, Condition.compare(OrchardTables.CODE,
                Operator.EQUALS, Value.of("T-2"))));
    }

    private RowId tree(String code, RowId kind, String least) {
        return editing.add(orchard.trees.key(), Map.of(OrchardTables.CODE, Value.of(code), OrchardTables.VARIETY,
                new Value.Referred(kind, ""), OrchardTables.LEAST, Value.of(new BigDecimal(least))), OWNER).row();
    }

    private void grant(Set<FieldKey> without, Grant... more) {
        List<Grant> all = new java.util.ArrayList<>(List.of(more));
        all.add(Grant.everyoneSeesAll().leavingOut(without));
        publisher.grant(orchard.trees.key(), new Grants(all));
    }

    private RowQuery asked(Visitor visitor, Condition sought, List<SortBy> order) {
        Sight sight = catalog.published().sight(visitor, orchard.trees.key());
        return new RowQuery(sight, visitor, visitor.at(Cases.midnight()), sight.asked(orchard.trees.key()), sought, order, 1,
                25, List.of(OrchardTables.CODE, OrchardTables.LEAST, OrchardTables.TITLE));
    }

    private List<String> codes(Visitor visitor, Condition sought, SortBy... order) {
        return rows.page(asked(visitor, sought, List.of(order)), ENGLISH).rows().stream()
                .map(row -> ((Value.Text) row.find(OrchardTables.CODE).orElseThrow()).text()).toList();
    }

    private List<Optional<Value>> least(Visitor visitor) {
        return rows.page(asked(visitor, Condition.ALWAYS, List.of()), ENGLISH).rows().stream()
                .map(row -> row.find(OrchardTables.LEAST)).toList();
    }

    @Test
    void itIsShownInTheRowsOfWhoeverMaySeeIt() {
        assertThat(least(Visitor.ANYONE)).containsExactly(Optional.empty(), Optional.empty(), Optional.empty());
        assertThat(least(MEMBER)).containsExactly(Optional.empty(), Optional.of(Value.of(new BigDecimal("5"))),
                Optional.empty());
        assertThat(least(Visitor.staff(""))).doesNotContain(Optional.empty());
    }

    @Test
    void itIsNeitherNarrowedByNorSortedNorAddedUp() {
        Condition atLeast = Condition.compare(OrchardTables.LEAST, Operator.AT_LEAST, Value.of(new BigDecimal("1")));
        assertThat(codes(Visitor.ANYONE, atLeast)).isEmpty();
        assertThat(rows.count(asked(Visitor.ANYONE, atLeast, List.of()), ENGLISH).atLeast()).isZero();
        assertThat(codes(MEMBER, atLeast)).containsExactly("T-2");
        assertThat(codes(Visitor.staff(""), atLeast)).hasSize(3);
        assertThat(codes(Visitor.ANYONE, Condition.ALWAYS, SortBy.up(OrchardTables.LEAST))).containsExactly("T-1", "T-2", "T-3");
        assertThat(codes(MEMBER, Condition.ALWAYS, SortBy.down(OrchardTables.LEAST))).containsExactly("T-2", "T-3", "T-1");
        assertThat(codes(Visitor.staff(""), Condition.ALWAYS, SortBy.up(OrchardTables.LEAST)))
                .containsExactly("T-2", "T-1", "T-3");
        assertThat(counts.sum(asked(Visitor.ANYONE, Condition.ALWAYS, List.of()), OrchardTables.LEAST, ENGLISH)).isEmpty();
        assertThat(counts.sum(asked(MEMBER, Condition.ALWAYS, List.of()), OrchardTables.LEAST, ENGLISH))
                .contains(new BigDecimal("5"));
    }

    /** Neither by itself nor within a text that is put together, nor through a reference from elsewhere. */
    @Test
    void itIsNotSearched() {
        grant(Set.of(OrchardTables.CODE));
        for (FieldKey field : List.of(OrchardTables.CODE, OrchardTables.TITLE)) {
            Condition words = new Condition.Mentions(List.of(field), "t-2");
            assertThat(rows.page(asked(Visitor.ANYONE, words, List.of()), ENGLISH).rows()).as("%s", field).isEmpty();
            assertThat(rows.count(asked(Visitor.ANYONE, words, List.of()), ENGLISH).atLeast()).isZero();
            assertThat(codes(Visitor.staff(""), words)).containsExactly("T-2");
        }
        editing.add(orchard.pickings.key(), OrchardTables.picking(first, "1"), OWNER);
        publisher.grant(orchard.pickings.key(), new Grants(List.of(Grant.everyoneSeesAll())));
        assertThat(pickings(Visitor.ANYONE, Condition.ALWAYS)).singleElement()
                .satisfies(row -> assertThat(row.find(OrchardTables.TREE)).contains(new Value.Referred(first, "")));
        assertThat(pickings(Visitor.ANYONE, new Condition.Mentions(List.of(OrchardTables.TREE), "t-1"))).isEmpty();
        assertThat(pickings(Visitor.staff(""), new Condition.Mentions(List.of(OrchardTables.TREE), "t-1"))).hasSize(1);
    }

    private List<Row> pickings(Visitor visitor, Condition sought) {
        Sight sight = catalog.published().sight(visitor, orchard.pickings.key());
        return rows.page(new RowQuery(sight, visitor, visitor.at(Cases.midnight()), Condition.ALWAYS, sought, List.of(), 1, 25,
                List.of(OrchardTables.TREE)), ENGLISH).rows();
    }

    @Test
    void itIsNotCarriedAway() throws IOException {
        assertThat(carried(Visitor.ANYONE)).contains("T-2").doesNotContain("5.0").doesNotContain("7.0");
        assertThat(carried(MEMBER)).contains("5").doesNotContain("7");
        assertThat(carried(Visitor.staff(""))).contains("7");
    }

    private String carried(Visitor visitor) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var spool = csv.read(asked(visitor, Condition.ALWAYS, List.of()), ENGLISH, SpreadsheetCells.HARMLESS,
                Carrying.UNWATCHED)) {
            spool.copyTo(out);
        }
        return out.toString(StandardCharsets.UTF_8);
    }

    /** A grant looks at rows as they are, whatever of them is seen. */
    @Test
    void rowsAreGrantedByWhatIsLeftOutOfThem() {
        publisher.grant(orchard.trees.key(), new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, Condition.compare(
                OrchardTables.LEAST, Operator.GREATER, Value.of(new BigDecimal("6")))).leavingOut(Set.of(OrchardTables.LEAST)))));
        assertThat(codes(Visitor.ANYONE, Condition.ALWAYS)).containsExactly("T-1", "T-3");
        assertThat(least(Visitor.ANYONE)).containsExactly(Optional.empty(), Optional.empty());
    }

    @Test
    void aTallyOfWhatIsSeenIsNotOfWhatIsLeftOut() {
        FieldKey seen = new FieldKey("least_seen");
        changes.addField(orchard.varieties.key(), Field.computed(seen, "Least, seen", new Computed.Tally(orchard.trees.key(),
                OrchardTables.VARIETY, Computed.Measure.SUM, OrchardTables.LEAST, Condition.ALWAYS, null, null,
                new Computed.Floor(null, null), true)), OWNER);
        publisher.grant(orchard.varieties.key(), new Grants(List.of(Grant.everyoneSeesAll())));
        for (var expected : Map.of(Visitor.ANYONE, "0", MEMBER, "5.0", Visitor.staff(""), "21.0").entrySet()) {
            Visitor visitor = expected.getKey();
            Sight sight = catalog.published().sight(visitor, orchard.varieties.key());
            assertThat(rows.page(new RowQuery(sight, visitor, visitor.at(Cases.midnight()), Condition.ALWAYS, Condition.ALWAYS,
                    List.of(), 1, 25, List.of(seen)), ENGLISH).rows().getFirst().find(seen)).as("%s", visitor)
                    .hasValueSatisfying(value -> assertThat(((Value.Decimal) value).number())
                            .isEqualByComparingTo(new BigDecimal(expected.getValue())));
        }
    }

    /** Not by itself, nor with others; and where what it was is not seen, the answer would tell. */
    @Test
    void itIsNotWritten() {
        grant(Set.of(), new Grant(Audience.MEMBERS, Verb.CHANGE, Condition.ALWAYS).leavingOut(Set.of(OrchardTables.LEAST)),
                new Grant(Audience.MEMBERS, Verb.ADD, Condition.ALWAYS).leavingOut(Set.of(OrchardTables.LEAST)));
        assertRefused();
        assertThat(visiting.leftOut(MEMBER, Verb.ADD, orchard.trees.key(), List.of(OrchardTables.CODE, OrchardTables.LEAST),
                List.of())).containsExactly(OrchardTables.LEAST);
        assertThat(visiting.add(MEMBER, orchard.trees.key(), Map.of(OrchardTables.LEAST, FEW), PAGE).outcome())
                .isEqualTo(refused());
        assertThat(visiting.add(MEMBER, orchard.trees.key(), Map.of(OrchardTables.CODE, Value.of("T-9")), PAGE).outcome())
                .isInstanceOf(RowEditing.Outcome.Done.class);
        grant(Set.of(OrchardTables.LEAST), new Grant(Audience.MEMBERS, Verb.CHANGE, Condition.ALWAYS));
        assertRefused();
    }

    private void assertRefused() {
        assertThat(visiting.change(MEMBER, orchard.trees.key(), first, Map.of(), Map.of(OrchardTables.LEAST, Optional.of(FEW)),
                PAGE)).isEqualTo(refused());
        assertThat(visiting.changeAll(MEMBER, orchard.trees.key(), List.of(first), Map.of(OrchardTables.LEAST, Optional.empty()),
                PAGE)).isEqualTo(refused());
        assertThat(visiting.open(MEMBER, Verb.CHANGE, orchard.trees.key(), List.of(OrchardTables.LEAST), Set.of(first))).isEmpty();
        for (String code : List.of("T-1b", "T-1")) {
            Optional<Value> was = editing.find(orchard.trees.key(), first).orElseThrow().find(OrchardTables.CODE);
            assertThat(visiting.change(MEMBER, orchard.trees.key(), first, Map.of(OrchardTables.CODE, was),
                    Map.of(OrchardTables.CODE, Optional.of(Value.of(code))), PAGE)).isInstanceOf(RowEditing.Outcome.Done.class);
        }
        assertThat(editing.find(orchard.trees.key(), first).orElseThrow().find(OrchardTables.LEAST))
                .contains(Value.of(new BigDecimal("7")));
    }

    private static final Page PLANTING = new Page(new PageKey("p"), "Planting", List.of());

    private RowEditing.Outcome refused() {
        return new RowEditing.Outcome.Refused(Map.of(OrchardTables.LEAST, Problem.of("not-granted.field", "Least")));
    }

    /** What a form sets by itself is none of the visitor's. */
    @Test
    void aFormSetsWhatTheVisitorMayNot() {
        grant(Set.of(), new Grant(Audience.EVERYONE, Verb.ADD, Condition.ALWAYS).leavingOut(Set.of(OrchardTables.LEAST)));
        Form form = Form.plain(new FormKey("plant"), orchard.trees.key(), "Plant").asking(List.of(Question.of(OrchardTables.CODE)))
                .stamping(List.of(new Stamp(OrchardTables.LEAST, new Operand.Fixed(FEW))));
        RowEditing.Added added = sending.send(Visitor.ANYONE, "b", PLANTING, form, Map.of(OrchardTables.CODE, Value.of("T-8")),
                PAGE);
        assertThat(editing.find(orchard.trees.key(), added.row()).orElseThrow().find(OrchardTables.LEAST)).contains(FEW);
        Form asking = form.stamping(List.of()).asking(List.of(Question.of(OrchardTables.LEAST)));
        assertThat(sending.send(Visitor.ANYONE, "b", PLANTING, asking, Map.of(OrchardTables.LEAST, FEW), PAGE).outcome())
                .isEqualTo(refused());
        assertThat(catalog.published().asked(asking, Visitor.ANYONE).questions()).isEmpty();
    }
}
