package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Condition;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Act;
import org.pressboard.history.Acts;
import org.pressboard.history.Entry;
import org.pressboard.history.RowHistory;
import org.pressboard.listing.RowQuery;
import org.pressboard.rows.Rows;
import org.pressboard.schema.Bin;
import org.pressboard.schema.Retyping;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Rules;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.undo.Undo;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

class RowEditingTest extends StoreTest {

    @Autowired
    private RowEditing editing;

    @Autowired
    private Undo undo;

    @Autowired
    private TableChanges changes;

    @Autowired
    private Acts acts;

    @Autowired
    private RowHistory history;

    @Autowired
    private Bin bin;

    @Autowired
    private Rows rows;

    private OrchardTables orchard(Referring.OnRemoval onRemoval) {
        return OrchardTables.make(changes, OWNER, onRemoval);
    }

    private RowId add(TableKey table, Map<FieldKey, Value> values) {
        RowEditing.Added added = editing.add(table, values, OWNER);
        assertThat(added.outcome()).isInstanceOf(RowEditing.Outcome.Done.class);
        return added.row();
    }

    private Optional<Value> value(TableKey table, RowId row, FieldKey field) {
        return editing.find(table, row).flatMap(found -> found.find(field));
    }

    @Test
    void aReferenceIsReadByWhatTheRowIsCalled() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        RowId kind = add(orchard.varieties.key(), OrchardTables.kind("Hollin Codlin"));
        RowId tree = add(orchard.trees.key(), OrchardTables.tree("T-014", kind));
        assertThat(value(orchard.trees.key(), tree, OrchardTables.VARIETY))
                .contains(new Value.Referred(kind, "Hollin Codlin"));
        RowEditing.Added nowhere = editing.add(orchard.trees.key(), OrchardTables.tree("T-015", new RowId(4711)), OWNER);
        assertThat(nowhere.outcome()).isInstanceOfSatisfying(RowEditing.Outcome.Refused.class, refused ->
                assertThat(refused.problems().get(OrchardTables.VARIETY).code()).isEqualTo("entry.no-such-row"));
    }

    /** The page that follows a change must not come before word of it. */
    @Test
    void whoeverChangesRowsSeesThemChangedRightAfter() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        RowQuery kinds = query(catalog.table(orchard.varieties.key()).orElseThrow(), Visitor.staff(""), Condition.ALWAYS,
                List.of(), 1, 100);
        for (int i = 1; i <= 50; i++) {
            RowId row = add(orchard.varieties.key(), OrchardTables.kind("Kind " + i));
            assertThat(rows.page(kinds, ENGLISH).rows()).hasSize(1);
            editing.remove(orchard.varieties.key(), List.of(row), OWNER);
            assertThat(rows.page(kinds, ENGLISH).rows()).isEmpty();
        }
    }

    @Test
    void whatIsRequiredOrMustDifferIsToldAtItsField() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        add(orchard.varieties.key(), OrchardTables.kind("Hollin"));
        assertThat(editing.add(orchard.varieties.key(), OrchardTables.kind("Hollin"), OWNER).outcome())
                .isInstanceOfSatisfying(RowEditing.Outcome.Refused.class, refused ->
                        assertThat(refused.problems().get(OrchardTables.NAME).code()).isEqualTo("entry.not-unique"));
        assertThat(editing.add(orchard.varieties.key(), Map.of(), OWNER).outcome())
                .isInstanceOfSatisfying(RowEditing.Outcome.Refused.class, refused ->
                        assertThat(refused.problems().get(OrchardTables.NAME).code()).isEqualTo("entry.required"));
    }

    @Test
    void theSecondWhoChangesTheSameFieldIsTold() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        RowId kind = add(orchard.varieties.key(), OrchardTables.kind("Hollin"));
        RowId tree = add(trees, OrchardTables.tree("T-1", kind));
        Map<FieldKey, Optional<Value>> was = Map.of(OrchardTables.CODE, Optional.of(Value.of("T-1")));
        assertThat(editing.change(trees, tree, was, Map.of(OrchardTables.CODE, Optional.of(Value.of("T-2"))), OWNER))
                .isInstanceOf(RowEditing.Outcome.Done.class);
        assertThat(editing.change(trees, tree, was, Map.of(OrchardTables.CODE, Optional.of(Value.of("T-3"))), OWNER))
                .isEqualTo(new RowEditing.Outcome.Meanwhile(Map.of(OrchardTables.CODE, Optional.of(Value.of("T-2")))));
        assertThat(editing.change(trees, tree, was, Map.of(OrchardTables.CODE, Optional.of(Value.of("T-1")),
                OrchardTables.LEAST, Optional.of(Value.of(BigDecimal.ONE))), OWNER))
                .as("another field, and one left as it was").isInstanceOf(RowEditing.Outcome.Done.class);
        assertThat(value(trees, tree, OrchardTables.CODE)).contains(Value.of("T-2"));
        assertThat(value(trees, tree, OrchardTables.LEAST)).contains(Value.of(BigDecimal.ONE));
    }

    @Test
    void aRowReferredToIsKeptClearedOrTakesThemAlong() {
        OrchardTables kept = orchard(Referring.OnRemoval.REFUSE);
        RowId kind = add(kept.varieties.key(), OrchardTables.kind("Kept"));
        add(kept.trees.key(), OrchardTables.tree("T-1", kind));
        assertThatThrownBy(() -> editing.remove(kept.varieties.key(), List.of(kind), OWNER))
                .hasMessageContaining("row.referred").hasMessageContaining("Trees");
        assertThat(editing.find(kept.varieties.key(), kind)).isPresent();

        OrchardTables cleared = orchard(Referring.OnRemoval.CLEAR);
        RowId other = add(cleared.varieties.key(), OrchardTables.kind("Cleared"));
        RowId tree = add(cleared.trees.key(), OrchardTables.tree("T-1", other));
        long act = editing.remove(cleared.varieties.key(), List.of(other), OWNER);
        assertThat(value(cleared.trees.key(), tree, OrchardTables.VARIETY)).isEmpty();
        undo.undo(cleared.varieties.key(), act, OWNER);
        assertThat(value(cleared.trees.key(), tree, OrchardTables.VARIETY))
                .contains(new Value.Referred(other, "Cleared"));
    }

    @Test
    void rowsThatWentAlongComeBackAlong() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REMOVE_ALONG);
        RowId kind = add(orchard.varieties.key(), OrchardTables.kind("Hollin"));
        RowId tree = add(orchard.trees.key(), OrchardTables.tree("T-1", kind));
        RowId picking = add(orchard.pickings.key(), OrchardTables.picking(tree, "12.5"));
        long act = editing.remove(orchard.varieties.key(), List.of(kind), OWNER);
        assertThat(editing.find(orchard.pickings.key(), picking)).isEmpty();
        assertThat(acts.removals(orchard.pickings.key(), java.time.Instant.EPOCH, 10)).extracting(Act::id)
                .containsExactly(act);
        Undo.Undone undone = undo.undo(orchard.varieties.key(), act, OWNER);
        assertThat(undone).isEqualTo(new Undo.Undone(3, 0));
        assertThat(value(orchard.pickings.key(), picking, OrchardTables.KILOGRAMS))
                .contains(Value.of(new BigDecimal("12.5")));
        assertThat(acts.removals(orchard.pickings.key(), java.time.Instant.EPOCH, 10)).isEmpty();
    }

    @Test
    void oneOfSeveralRemovedRowsComesBackAlone() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey kinds = orchard.varieties.key();
        List<RowId> rows = List.of(add(kinds, OrchardTables.kind("One")), add(kinds, OrchardTables.kind("Two")));
        long act = editing.remove(kinds, rows, OWNER);
        undo.putBackRow(kinds, act, rows.get(1), OWNER);
        assertThat(value(kinds, rows.get(1), OrchardTables.NAME)).contains(Value.of("Two"));
        assertThat(editing.find(kinds, rows.get(0))).isEmpty();
        assertThatThrownBy(() -> undo.putBackRow(kinds, act, rows.get(1), OWNER)).hasMessageContaining("bin.gone");
    }

    @Test
    void eachStepCanBeTakenBackAndThatToo() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey kinds = orchard.varieties.key();
        RowId kind = add(kinds, OrchardTables.kind("One"));
        RowEditing.Outcome outcome = editing.change(kinds, kind, Map.of(OrchardTables.NAME, Optional.of(Value.of("One"))),
                Map.of(OrchardTables.NAME, Optional.of(Value.of("Two"))), OWNER);
        Long act = ((RowEditing.Outcome.Done) outcome).act();
        undo.undo(kinds, act, OWNER);
        assertThat(value(kinds, kind, OrchardTables.NAME)).contains(Value.of("One"));
        Act back = acts.latest(kinds, null, 1).getFirst();
        assertThat(back.undoes()).isEqualTo(act);
        undo.undo(kinds, back.id(), OWNER);
        assertThat(value(kinds, kind, OrchardTables.NAME)).contains(Value.of("Two"));
        assertThatThrownBy(() -> undo.undo(kinds, act, OWNER)).hasMessageContaining("undo.done");
        Act added = acts.latest(kinds, null, 10).stream().filter(each -> each.what() == Act.What.ROW_ADDED).findFirst()
                .orElseThrow();
        assertThat(undo.changedSince(kinds, added.id())).isEqualTo(1);
        undo.undo(kinds, added.id(), OWNER);
        assertThat(editing.find(kinds, kind)).isEmpty();
    }

    @Test
    void whatSomebodyChangedSinceStaysAndIsCounted() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        RowId kind = add(orchard.varieties.key(), OrchardTables.kind("Hollin"));
        List<RowId> rows = List.of(add(trees, OrchardTables.tree("T-1", kind)), add(trees, OrchardTables.tree("T-2", kind)));
        RowEditing.Outcome.Done all = (RowEditing.Outcome.Done) editing.changeAll(trees, rows,
                Map.of(OrchardTables.LEAST, Optional.of(Value.of(BigDecimal.TEN))), OWNER);
        editing.changeAll(trees, rows.subList(0, 1), Map.of(OrchardTables.LEAST, Optional.empty()), OWNER);
        assertThat(undo.undo(trees, all.act(), OWNER)).isEqualTo(new Undo.Undone(1, 1));
        assertThat(value(trees, rows.get(0), OrchardTables.LEAST)).isEmpty();
        assertThat(value(trees, rows.get(1), OrchardTables.LEAST)).isEmpty();
    }

    @Test
    void theHistoryOfARowSaysWhoMadeWhatOfItAndPutsItBack() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey kinds = orchard.varieties.key();
        RowId kind = add(kinds, OrchardTables.kind("One"));
        for (String name : List.of("Two", "Three")) {
            Optional<Value> was = value(kinds, kind, OrchardTables.NAME);
            editing.change(kinds, kind, Map.of(OrchardTables.NAME, was),
                    Map.of(OrchardTables.NAME, Optional.of(Value.of(name))), OWNER);
        }
        List<Entry> entries = history.ofRow(orchard.varieties, kind, 10);
        assertThat(entries).extracting(Entry::verb).containsExactly(Entry.Verb.CHANGED, Entry.Verb.CHANGED,
                Entry.Verb.ADDED);
        assertThat(entries.getFirst().before()).isEqualTo(Map.of(OrchardTables.NAME, Optional.of(Value.of("Two"))));
        assertThat(entries.getFirst().act().who()).isEqualTo("owner@example.org");
        undo.putBack(kinds, kind, entries.get(1).id(), OWNER);
        assertThat(value(kinds, kind, OrchardTables.NAME)).contains(Value.of("One"));
    }

    @Test
    void whatIsChangedPastPressboardIsRememberedToo() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        inTransaction(() -> sql.execute("insert into hosted." + orchard.varieties.key() + " (name) values ('Stray')"));
        Act act = acts.latest(orchard.varieties.key(), null, 1).getFirst();
        assertThat(act.origin().name()).isEqualTo("DATABASE");
        assertThat(act.rows()).isEqualTo(new Act.Rows(1, 0, 0));
    }

    @Test
    void talliesBorrowedFieldsAndComposedTextFollowWhatTheyAreMadeOf() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        RowId kind = add(orchard.varieties.key(), OrchardTables.kind("Hollin"));
        RowId tree = add(orchard.trees.key(), OrchardTables.tree("T-1", kind));
        add(orchard.pickings.key(), OrchardTables.picking(tree, "2.5"));
        orchard.compute(changes, OWNER);
        TableKey trees = orchard.trees.key();
        assertThat(value(trees, tree, OrchardTables.PICKED)).contains(Value.of(new BigDecimal("2.5")));
        RowId more = add(orchard.pickings.key(), OrchardTables.picking(tree, "4"));
        assertThat(value(trees, tree, OrchardTables.PICKED)).contains(Value.of(new BigDecimal("6.5")));
        editing.remove(orchard.pickings.key(), List.of(more), OWNER);
        editing.change(trees, tree, Map.of(), Map.of(OrchardTables.LEAST, Optional.of(Value.of(BigDecimal.TEN))), OWNER);
        assertThat(value(trees, tree, OrchardTables.PICKED)).contains(Value.of(BigDecimal.TEN));
        assertThat(value(trees, tree, OrchardTables.TITLE)).contains(Value.of("T-1, Hollin"));
        editing.change(orchard.varieties.key(), kind, Map.of(OrchardTables.NAME, Optional.of(Value.of("Hollin"))),
                Map.of(OrchardTables.NAME, Optional.of(Value.of("Codlin"))), OWNER);
        assertThat(value(trees, tree, OrchardTables.TITLE)).contains(Value.of("T-1, Codlin"));
        assertThat(value(trees, tree, OrchardTables.BORROWED)).contains(Value.of("Codlin"));
        RowId bare = add(trees, Map.of(OrchardTables.CODE, Value.of("T-2")));
        assertThat(value(trees, bare, OrchardTables.PICKED)).contains(Value.of(new BigDecimal("0")));
        assertThat(history.ofRow(catalog.table(trees).orElseThrow(), tree, 10)).as("tallies are not remembered")
                .hasSize(2);
    }

    @Test
    void whatOthersAreMadeOfIsNotRemovedUnderThem() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        orchard.compute(changes, OWNER);
        assertThatThrownBy(() -> changes.removeField(orchard.pickings.key(), OrchardTables.KILOGRAMS, OWNER))
                .hasMessageContaining("field.used").hasMessageContaining("Picked");
        assertThatThrownBy(() -> changes.remove(orchard.varieties.key(), OWNER)).hasMessageContaining("table.referred");
    }

    @Test
    void aRemovedFieldComesBackWithItsValues() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        RowId kind = add(orchard.varieties.key(), OrchardTables.kind("Hollin"));
        RowId tree = add(trees, OrchardTables.tree("T-1", kind));
        changes.removeField(trees, OrchardTables.VARIETY, OWNER);
        assertThat(catalog.table(trees).orElseThrow().fields().has(OrchardTables.VARIETY)).isFalse();
        changes.putBackField(trees, bin.fields(trees).getFirst().id(), OWNER);
        assertThat(value(trees, tree, OrchardTables.VARIETY)).contains(new Value.Referred(kind, "Hollin"));
        assertThat(catalog.table(trees).orElseThrow().fields().all().get(1).key()).isEqualTo(OrchardTables.VARIETY);
        assertThatThrownBy(() -> editing.remove(orchard.varieties.key(), List.of(kind), OWNER))
                .as("it leads there again").hasMessageContaining("row.referred");
    }

    @Test
    void anotherKindIsAllOrNothingAndWhatDidNotFitStaysInTheHistory() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        List<RowId> rows = List.of("12", "blah", "1.5").stream()
                .map(code -> add(trees, Map.of(OrchardTables.CODE, Value.of(code)))).toList();
        assertThat(changes.preview(trees, OrchardTables.CODE, new Numeric.WholeNumber(true)))
                .isEqualTo(new Retyping.Preview(3, 2, List.of("blah", "1.5")));
        changes.retype(trees, OrchardTables.CODE, new Numeric.WholeNumber(true), OWNER);
        assertThat(value(trees, rows.get(0), OrchardTables.CODE)).contains(Value.of(12));
        assertThat(value(trees, rows.get(1), OrchardTables.CODE)).isEmpty();
        Entry misfit = history.ofRow(catalog.table(trees).orElseThrow(), rows.get(1), 10).getFirst();
        assertThat(misfit.before()).isEqualTo(Map.of(OrchardTables.CODE, Optional.of(Value.of("blah"))));
        undo.undo(trees, acts.latest(trees, null, 1).getFirst().id(), OWNER);
        assertThat(value(trees, rows.get(1), OrchardTables.CODE)).contains(Value.of("blah"));
        changes.retype(trees, OrchardTables.CODE, new Chosen.Choice(List.of()), OWNER);
        assertThat(((Chosen) catalog.table(trees).orElseThrow().field(OrchardTables.CODE).type()).options())
                .extracting(Chosen.Option::text).as("as they first appear").containsExactly("12", "blah", "1.5");
    }

    @Test
    void textsBecomeReferencesByWhatTheRowsAreCalledAndTextsAgain() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        RowId kind = add(orchard.varieties.key(), OrchardTables.kind("Árpád"));
        RowId tree = add(trees, Map.of(OrchardTables.CODE, Value.of("ARPAD")));
        Referring.Reference reference = new Referring.Reference(orchard.varieties.key(), Referring.OnRemoval.REFUSE);
        changes.retype(trees, OrchardTables.CODE, reference, OWNER);
        assertThat(value(trees, tree, OrchardTables.CODE)).contains(new Value.Referred(kind, "Árpád"));
        changes.retype(trees, OrchardTables.CODE, new Textual.Text(), OWNER);
        assertThat(value(trees, tree, OrchardTables.CODE)).contains(Value.of("Árpád"));
    }

    @Test
    void anOptionCalledOtherwiseIsSoInAllRowsUntilThatIsTakenBack() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        RowId tree = add(trees, Map.of(OrchardTables.CODE, Value.of("weak")));
        changes.retype(trees, OrchardTables.CODE, new Chosen.Choice(List.of()), OWNER);
        Field choice = catalog.table(trees).orElseThrow().field(OrchardTables.CODE);
        changes.changeOptions(trees, choice.of(Chosen.Choice.of(List.of("poor"))), Map.of("weak", "poor"), OWNER);
        assertThat(value(trees, tree, OrchardTables.CODE)).contains(Value.of("poor"));
        undo.undo(trees, acts.latest(trees, null, 1).getFirst().id(), OWNER);
        assertThat(value(trees, tree, OrchardTables.CODE)).contains(Value.of("weak"));
        assertThat(((Chosen) catalog.table(trees).orElseThrow().field(OrchardTables.CODE).type()).options())
                .extracting(Chosen.Option::text).containsExactly("weak");
    }

    @Test
    void aDefinitionOfWhatWasMeanwhileChangedIsRefused() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        org.pressboard.table.Table seen = catalog.table(orchard.trees.key()).orElseThrow();
        changes.addField(orchard.trees.key(), new Field(OrchardTables.DAY, "Planted", new Temporal.Date()), OWNER);
        assertThatThrownBy(() -> changes.change(seen.labelled("Other", ""), OWNER))
                .hasMessageContaining("table.changed-meanwhile");
    }

    @Test
    void namesThatAreNotFoundBecomeNewRows() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        add(orchard.varieties.key(), OrchardTables.kind("Hollin"));
        List<RowId> rows = List.of("hollin", "Codlin", "CODLIN").stream()
                .map(code -> add(trees, Map.of(OrchardTables.CODE, Value.of(code)))).toList();
        Referring.Reference reference = new Referring.Reference(orchard.varieties.key(), Referring.OnRemoval.REFUSE);
        assertThat(changes.preview(trees, OrchardTables.CODE, reference).misfits()).isEqualTo(2);
        changes.retype(trees, OrchardTables.CODE, reference, true, OWNER);
        assertThat(value(trees, rows.get(0), OrchardTables.CODE).map(value -> ((Value.Referred) value).heading()))
                .contains("Hollin");
        assertThat(value(trees, rows.get(1), OrchardTables.CODE)).isEqualTo(value(trees, rows.get(2), OrchardTables.CODE))
                .isPresent();
        assertThat(acts.latest(orchard.varieties.key(), null, 1).getFirst().rows().added()).isEqualTo(1);
    }

    @Test
    void aTableComesBackFromTheBinWithItsRows() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey pickings = orchard.pickings.key();
        RowId row = add(pickings, Map.of(OrchardTables.KILOGRAMS, Value.of(BigDecimal.ONE)));
        changes.remove(pickings, OWNER);
        assertThat(catalog.table(pickings)).isEmpty();
        assertThat(bin.tables().keySet()).extracting(org.pressboard.table.Table::key).contains(pickings);
        changes.putBack(pickings, OWNER);
        assertThat(value(pickings, row, OrchardTables.KILOGRAMS)).contains(Value.of(BigDecimal.ONE));
    }

    @Test
    void aChangedDefinitionIsTakenBackUnlessItWasChangedSince() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        changes.addField(trees, new Field(OrchardTables.DAY, "Planted", new Temporal.Date()), OWNER);
        Act added = acts.latest(trees, null, 1).getFirst();
        changes.changeField(trees, catalog.table(trees).orElseThrow().field(OrchardTables.DAY).labelled("Set"), OWNER);
        assertThatThrownBy(() -> undo.undo(trees, added.id(), OWNER)).hasMessageContaining("undo.changed-since");
        undo.undo(trees, acts.latest(trees, null, 1).getFirst().id(), OWNER);
        undo.undo(trees, added.id(), OWNER);
        assertThat(catalog.table(trees).orElseThrow().fields().has(OrchardTables.DAY)).isFalse();
    }

    @Test
    void aFieldWithTheSameValueTwiceCannotBeMadeToDiffer() {
        OrchardTables orchard = orchard(Referring.OnRemoval.REFUSE);
        TableKey trees = orchard.trees.key();
        add(trees, Map.of(OrchardTables.CODE, Value.of("T-1")));
        add(trees, Map.of(OrchardTables.CODE, Value.of("T-1")));
        Field code = catalog.table(trees).orElseThrow().field(OrchardTables.CODE);
        assertThatThrownBy(() -> changes.changeField(trees, code.with(Rules.NONE.differing(true)), OWNER))
                .hasMessageContaining("field.not-unique");
    }
}
