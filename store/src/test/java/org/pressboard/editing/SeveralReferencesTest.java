package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.history.Acts;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.Bin;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Referring;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.undo.Undo;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** Fields that refer to several rows: always to rows that are there, whatever becomes of these. */
class SeveralReferencesTest extends StoreTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey HELPERS = new FieldKey("helpers");

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private Undo undo;

    @Autowired
    private Acts acts;

    @Autowired
    private Bin bin;

    private TableKey people;
    private TableKey shifts;
    private RowId ada;
    private RowId bo;
    private RowId cy;

    @BeforeEach
    void people() {
        people = changes.make("Folk", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER).key();
        ada = person("Ada");
        bo = person("Bo");
        cy = person("Cy");
    }

    private RowId person(String name) {
        return editing.add(people, Map.of(NAME, Value.of(name)), OWNER).row();
    }

    private RowId shift(Referring.OnRemoval onRemoval) {
        shifts = changes.make("Shifts", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(HELPERS, "Helpers", new Referring.References(people, onRemoval)))), OWNER).key();
        return editing.add(shifts, Map.of(NAME, Value.of("Early"), HELPERS, folk(bo, ada)), OWNER).row();
    }

    private static Value folk(RowId... rows) {
        return new Value.Several(Arrays.stream(rows).<Value>map(row -> new Value.Referred(row, "")).toList());
    }

    private Optional<String> helpers(RowId shift) {
        return editing.find(shifts, shift).flatMap(row -> row.find(HELPERS)).map(value -> String.join(", ",
                value.each().stream().map(each -> ((Value.Referred) each).heading()).toList()));
    }

    private long lastAct(TableKey table) {
        return acts.latest(table, null, 1).getFirst().id();
    }

    @Test
    void theyStandInTheirOrderByWhatTheRowsAreCalled() {
        RowId early = shift(Referring.OnRemoval.REFUSE);
        assertThat(helpers(early)).contains("Bo, Ada");
        editing.change(shifts, early, Map.of(HELPERS, Optional.of(folk(bo, ada))), Map.of(HELPERS,
                Optional.of(folk(cy, bo))), OWNER);
        assertThat(helpers(early)).contains("Cy, Bo");
        undo.undo(shifts, lastAct(shifts), OWNER);
        assertThat(helpers(early)).contains("Bo, Ada");
        assertThat(editing.add(shifts, Map.of(HELPERS, folk(ada, new RowId(999_999))), OWNER).outcome()).isEqualTo(
                new RowEditing.Outcome.Refused(Map.of(HELPERS, Problem.of("entry.no-such-row", "Folk"))));
    }

    @Test
    void aRowReferredToIsKept() {
        shift(Referring.OnRemoval.REFUSE);
        assertThatThrownBy(() -> editing.remove(people, List.of(bo), OWNER)).isInstanceOfSatisfying(ProblemsFound.class,
                found -> assertThat(found.problems().all().getFirst()).isEqualTo(
                        Problem.of("row.referred", 1, 1L, "Shifts", "Helpers")));
        assertThatThrownBy(() -> inTransaction(() -> sql.execute("delete from hosted.{0} where row_id = {1}",
                DSL.name(people.name()), DSL.val(bo.number())))).hasMessageContaining("foreign key");
        editing.remove(people, List.of(cy), OWNER);
    }

    @Test
    void itIsTakenOutOfTheOthersAndComesBackWithThem() {
        RowId early = shift(Referring.OnRemoval.CLEAR);
        editing.remove(people, List.of(bo), OWNER);
        assertThat(helpers(early)).contains("Ada");
        undo.undo(people, lastAct(people), OWNER);
        assertThat(helpers(early)).contains("Bo, Ada");
        editing.remove(people, List.of(ada, bo), OWNER);
        assertThat(helpers(early)).isEmpty();
    }

    @Test
    void orTheyGoAlong() {
        RowId early = shift(Referring.OnRemoval.REMOVE_ALONG);
        editing.remove(people, List.of(ada), OWNER);
        assertThat(editing.find(shifts, early)).isEmpty();
        undo.undo(people, lastAct(people), OWNER);
        assertThat(helpers(early)).contains("Bo, Ada");
    }

    @Test
    void textsBecomeSeveralReferencesAndTextsAgain() {
        shift(Referring.OnRemoval.CLEAR);
        FieldKey said = new FieldKey("said");
        changes.addField(shifts, new Field(said, "Said", new Textual.Text()), OWNER);
        RowId late = editing.add(shifts, Map.of(said, Value.of("cy; ADA")), OWNER).row();
        RowId lost = editing.add(shifts, Map.of(said, Value.of("cy; nobody")), OWNER).row();
        Referring several = new Referring.References(people, Referring.OnRemoval.CLEAR);
        assertThat(changes.preview(shifts, said, several).misfits()).isEqualTo(1);
        changes.retype(shifts, said, several, OWNER);
        assertThat(editing.find(shifts, late).orElseThrow().find(said)).contains(new Value.Several(List.of(
                new Value.Referred(cy, "Cy"), new Value.Referred(ada, "Ada"))));
        assertThat(editing.find(shifts, lost).orElseThrow().find(said)).isEmpty();
        changes.retype(shifts, said, new Textual.Text(), OWNER);
        assertThat(editing.find(shifts, late).orElseThrow().find(said)).contains(Value.of("Cy\nAda"));
    }

    @Test
    void aRemovedFieldComesBackWithoutWhatIsGoneMeanwhile() {
        RowId early = shift(Referring.OnRemoval.REFUSE);
        changes.removeField(shifts, HELPERS, OWNER);
        editing.remove(people, List.of(bo), OWNER);
        changes.putBackField(shifts, bin.fields(shifts).getFirst().id(), OWNER);
        assertThat(helpers(early)).contains("Ada");
        changes.remove(shifts, OWNER);
        changes.putBack(shifts, OWNER);
        assertThat(helpers(early)).contains("Ada");
    }
}
