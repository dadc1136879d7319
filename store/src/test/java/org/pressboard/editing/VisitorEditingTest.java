package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.history.RowHistory;
import org.pressboard.listing.RowQuery;
import org.pressboard.member.Members;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.rows.Rows;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** Visitors write what grants let them, and nothing else, whatever they send. */
class VisitorEditingTest extends StoreTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey EMAIL = new FieldKey("email");
    private static final FieldKey PICKER = new FieldKey("picker");
    private static final FieldKey KILOS = new FieldKey("kilos");
    private static final FieldKey TREE = new FieldKey("tree");
    private static final TableKey BASKETS = new TableKey("baskets");
    private static final TableKey STEMS = new TableKey("stems");
    private static final TableKey HANDS = new TableKey("hands");
    private static final Author PAGE = new Author(null, "Mira", Author.Origin.PAGE);

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private VisitorEditing visiting;

    @Autowired
    private Members members;

    @Autowired
    private Rows rows;

    @Autowired
    private RowHistory history;

    private Visitor mira = Visitor.ANYONE;
    private Visitor tomas = Visitor.ANYONE;

    @BeforeEach
    void makeTables() {
        Table hands = changes.make("Hands", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(EMAIL, "E-mail", new Textual.Email()))), OWNER);
        changes.change(hands.knownBy(null, null, EMAIL), OWNER);
        mira = member("Mira");
        tomas = member("Tomas");
        changes.make("Stems", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        editing.add(STEMS, Map.of(NAME, Value.of("Open")), OWNER);
        editing.add(STEMS, Map.of(NAME, Value.of("Hidden")), OWNER);
        publisher.grant(STEMS, new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE,
                Clause.fixed(NAME, Comparison.IS, Value.of("Open")).condition()))));
        Table baskets = changes.make("Baskets", new Fields(List.of(
                new Field(PICKER, "Picker", new Referring.Person(HANDS, Referring.OnRemoval.CLEAR)),
                new Field(KILOS, "Kilos", new Numeric.WholeNumber(false)),
                new Field(TREE, "Tree", new Referring.Reference(STEMS, Referring.OnRemoval.CLEAR)))), OWNER);
        changes.change(baskets.ownedBy(PICKER), OWNER);
        own();
    }

    private Visitor member(String name) {
        String email = name.toLowerCase(java.util.Locale.ROOT) + "@example.org";
        editing.add(HANDS, Map.of(NAME, Value.of(name), EMAIL, Value.of(email)), OWNER);
        return members.visitor(members.find(email).orElseThrow().id()).orElseThrow();
    }

    private void own() {
        publisher.grant(BASKETS, new Grants(java.util.stream.Stream.of(Verb.values())
                .map(verb -> Grant.ofOwn(Audience.MEMBERS, verb)).toList()));
    }

    @AfterEach
    void removeTables() {
        publisher.remove(BASKETS);
        publisher.remove(STEMS);
        publisher.remove(HANDS);
    }

    private RowId add(Visitor visitor, Map<FieldKey, Value> values) {
        RowEditing.Added added = visiting.add(visitor, BASKETS, values, PAGE);
        assertThat(added.outcome()).isInstanceOf(RowEditing.Outcome.Done.class);
        return added.row();
    }

    private Row find(RowId row) {
        return editing.find(BASKETS, row).orElseThrow();
    }

    private RowId owner(Visitor visitor) {
        return java.util.Objects.requireNonNull(visitor.who().member()).id();
    }

    @Test
    void whatIsAddedIsTheirsWhateverTheySend() {
        RowId row = add(mira, Map.of(KILOS, Value.of(3L), PICKER, new Value.Referred(owner(tomas), "")));
        assertThat(find(row).find(PICKER)).contains(new Value.Referred(owner(mira), "Mira"));
        assertThat(history.ofRow(catalog.table(BASKETS).orElseThrow(), row, 5)).hasSize(1);
    }

    @Test
    void theyChangeAndRemoveTheirOwnAndNobodyElses() {
        RowId row = add(mira, Map.of(KILOS, Value.of(3L)));
        assertThat(visiting.change(mira, BASKETS, row, Map.of(KILOS, Optional.of(Value.of(3L))),
                Map.of(KILOS, Optional.of(Value.of(4L))), PAGE)).isInstanceOf(RowEditing.Outcome.Done.class);
        assertThatThrownBy(() -> visiting.change(tomas, BASKETS, row, Map.of(KILOS, Optional.of(Value.of(4L))),
                Map.of(KILOS, Optional.of(Value.of(99L))), PAGE)).isInstanceOf(ProblemsFound.class);
        assertThatThrownBy(() -> visiting.remove(tomas, BASKETS, List.of(row), PAGE)).isInstanceOf(ProblemsFound.class);
        assertThatThrownBy(() -> visiting.remove(Visitor.ANYONE, BASKETS, List.of(row), PAGE))
                .isInstanceOf(ProblemsFound.class);
        assertThat(find(row).find(KILOS)).contains(Value.of(4L));
        visiting.remove(mira, BASKETS, List.of(row), PAGE);
        assertThat(editing.find(BASKETS, row)).isEmpty();
    }

    @Test
    void theyCannotGiveARowAway() {
        RowId row = add(mira, Map.of());
        Map<FieldKey, Optional<Value>> was = Map.of(PICKER, Optional.of(new Value.Referred(owner(mira), "")));
        assertThatThrownBy(() -> visiting.change(mira, BASKETS, row, was,
                Map.of(PICKER, Optional.of(new Value.Referred(owner(tomas), ""))), PAGE)).isInstanceOf(ProblemsFound.class);
        assertThatThrownBy(() -> visiting.change(mira, BASKETS, row, was, Map.of(PICKER, Optional.empty()), PAGE))
                .isInstanceOf(ProblemsFound.class);
        assertThat(find(row).find(PICKER)).isPresent();
    }

    @Test
    void nobodyAddsWithoutAGrantNorWhatDoesNotMeetIt() {
        publisher.grant(BASKETS, new Grants(List.of(new Grant(Audience.EVERYONE, Verb.SEE, Condition.ALWAYS),
                new Grant(Audience.EVERYONE, Verb.ADD, Clause.fixed(KILOS, Comparison.AT_MOST,
                        Value.of(10L)).condition()))));
        add(Visitor.ANYONE, Map.of(KILOS, Value.of(10L)));
        assertThatThrownBy(() -> visiting.add(Visitor.ANYONE, BASKETS, Map.of(KILOS, Value.of(11L)), PAGE))
                .isInstanceOf(ProblemsFound.class).hasMessageContaining("not-granted");
        publisher.grant(BASKETS, Grants.NONE);
        assertThatThrownBy(() -> visiting.add(mira, BASKETS, Map.of(), PAGE)).isInstanceOf(ProblemsFound.class);
        assertThat(sql.fetchCount(org.jooq.impl.DSL.table(name("hosted", "baskets")))).isEqualTo(1);
    }

    /** Those who may not see what they add add it all the same. */
    @Test
    void addingNeedsNoSeeing() {
        publisher.grant(BASKETS, new Grants(List.of(new Grant(Audience.EVERYONE, Verb.ADD, Condition.ALWAYS))));
        assertThat(find(add(Visitor.ANYONE, Map.of(KILOS, Value.of(1L)))).find(PICKER)).isEmpty();
    }

    @Test
    void nobodyRefersToWhatTheyDoNotSee() {
        add(mira, Map.of(TREE, new Value.Referred(new RowId(1), "")));
        RowEditing.Added hidden = visiting.add(mira, BASKETS, Map.of(TREE, new Value.Referred(new RowId(2), "")), PAGE);
        RowEditing.Added none = visiting.add(mira, BASKETS, Map.of(TREE, new Value.Referred(new RowId(77), "")), PAGE);
        assertThat(hidden.outcome()).isEqualTo(none.outcome()).isInstanceOfSatisfying(RowEditing.Outcome.Refused.class,
                refused -> assertThat(refused.problems()).containsExactly(Map.entry(TREE, Problem.of("entry.no-such-row", "Stems"))));
    }

    /** Who may see no rows of members sees by whom their own are all the same, and finds them by that; nobody else's name. */
    @Test
    void peopleAlwaysSeeTheirOwnName() {
        add(mira, Map.of(KILOS, Value.of(1L)));
        add(tomas, Map.of(KILOS, Value.of(2L)));
        publisher.grant(BASKETS, new Grants(List.of(Grant.everyoneSeesAll())));
        assertThat(pickers(mira, Condition.ALWAYS)).containsExactly(Optional.of(new Value.Referred(owner(mira), "Mira")), Optional.empty());
        assertThat(pickers(mira, new Condition.Mentions(List.of(PICKER), "mira"))).hasSize(1);
        assertThat(pickers(mira, new Condition.Mentions(List.of(PICKER), "tomas"))).isEmpty();
        assertThat(pickers(Visitor.ANYONE, new Condition.Mentions(List.of(PICKER), "mira"))).isEmpty();
        assertThat(pickers(Visitor.ANYONE, Condition.ALWAYS)).containsExactly(Optional.empty(), Optional.empty());
    }

    private List<Optional<Value>> pickers(Visitor visitor, Condition sought) {
        Sight sight = catalog.published().sight(visitor, BASKETS);
        return rows.page(new RowQuery(sight, visitor, visitor.at(Cases.midnight()), Condition.ALWAYS, sought, List.of(), 1, 25,
                List.of(PICKER)), ENGLISH).rows().stream().map(row -> row.find(PICKER)).toList();
    }

    @Test
    void whoeverIsSecondIsTold() {
        RowId row = add(mira, Map.of(KILOS, Value.of(3L)));
        Map<FieldKey, Optional<Value>> was = Map.of(KILOS, Optional.of(Value.of(3L)));
        visiting.change(mira, BASKETS, row, was, Map.of(KILOS, Optional.of(Value.of(5L))), PAGE);
        assertThat(visiting.change(mira, BASKETS, row, was, Map.of(KILOS, Optional.of(Value.of(6L))), PAGE))
                .isEqualTo(new RowEditing.Outcome.Meanwhile(new HashMap<>(Map.of(KILOS, Optional.of(Value.of(5L))))));
        assertThat(visiting.may(mira, Verb.CHANGE, BASKETS, Set.of(row))).containsExactly(row);
        assertThat(visiting.may(tomas, Verb.CHANGE, BASKETS, Set.of(row))).isEmpty();
    }
}
