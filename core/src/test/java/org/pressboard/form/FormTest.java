package org.pressboard.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Onlooker;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Standpoint;
import org.pressboard.problem.Problem;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.FieldType;
import org.pressboard.table.Rules;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.table.TableKey;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;

class FormTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey LUNCH = new FieldKey("lunch");
    private static final FieldKey DISH = new FieldKey("dish");
    private static final FieldKey SPICE = new FieldKey("spice");
    private static final FieldKey SENT = new FieldKey("sent");
    private static final FieldKey BY = new FieldKey("by");
    private static final Table TABLE = new Table(new TableKey("guests"), "Guests", new Fields(List.of(
            new Field(NAME, "Name", new Textual.Text()).with(Rules.NONE.requiring(true)),
            new Field(LUNCH, "Lunch", new FieldType.YesNo()), new Field(DISH, "Dish", new Textual.Text()),
            new Field(SPICE, "Spice", new Textual.Text()), new Field(SENT, "Sent", new Temporal.DateTime()),
            new Field(BY, "Sent by", new Textual.Email()))));
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 11, 28, 9, 30);
    private static final Standpoint MIRA = Standpoint.of(new Onlooker("mira@example.org", "Mira", null), NOW);
    private static final Form FORM = Form.plain(new FormKey("come"), TABLE.key(), "Come along")
            .asking(List.of(Question.of(NAME), Question.of(LUNCH), Question.of(DISH).when(is(LUNCH, Value.of(true))),
                    Question.of(SPICE).when(is(DISH, Value.of("stew")))))
            .stamping(List.of(new Stamp(SENT, new Operand.Today(0)), new Stamp(BY, Operand.OfVisitor.EMAIL)));

    private static Condition is(FieldKey field, Value value) {
        return Condition.oneOf(field, List.of(value));
    }

    private static List<FieldKey> asked(Map<FieldKey, Value> answers) {
        return FORM.asked(answers, MIRA).stream().map(Question::field).toList();
    }

    @Test
    void whatHangsOnAnAnswerIsAskedOnceItIsGiven() {
        assertThat(asked(Map.of())).containsExactly(NAME, LUNCH);
        assertThat(asked(Map.of(LUNCH, Value.of(true)))).containsExactly(NAME, LUNCH, DISH);
        assertThat(asked(Map.of(LUNCH, Value.of(true), DISH, Value.of("stew")))).containsExactly(NAME, LUNCH, DISH, SPICE);
    }

    @Test
    void anAnswerToWhatIsNotAskedCountsForNothing() {
        Map<FieldKey, Value> forged = Map.of(NAME, Value.of("Tomas"), LUNCH, Value.of(false), DISH, Value.of("stew"),
                SPICE, Value.of("hot"));
        assertThat(asked(forged)).containsExactly(NAME, LUNCH);
        assertThat(FORM.row(TABLE, forged, MIRA)).doesNotContainKeys(DISH, SPICE);
    }

    @Test
    void stampsAreSetWhateverIsSentForThem() {
        Map<FieldKey, Value> row = FORM.row(TABLE, Map.of(NAME, Value.of("Tomas"), BY,
                Value.of("forged@example.org")), MIRA);
        assertThat(row).containsEntry(BY, Value.of("mira@example.org")).containsEntry(SENT, Value.of(NOW));
        Map<FieldKey, Value> nobody = FORM.row(TABLE, Map.of(BY, Value.of("forged@example.org")), Standpoint.NOBODY);
        assertThat(nobody).doesNotContainKey(BY);
    }

    @Test
    void itSetsWhereItStands() {
        Form there = FORM.stamping(List.of(new Stamp(DISH, new Operand.OfPage(Operand.PagePart.TITLE)),
                new Stamp(SPICE, new Operand.OfPage(Operand.PagePart.ADDRESS))));
        assertThat(there.row(TABLE, Map.of(), MIRA.on(new Standpoint.OnPage("Feast", "feast")))).containsEntry(DISH, Value.of("Feast"))
                .containsEntry(SPICE, Value.of("feast"));
    }

    @Test
    void itSetsWhatAnotherRowHasToWhichAnAnswerLeads() {
        FieldKey way = DISH.through(new FieldKey("cook"));
        Form form = FORM.stamping(List.of(new Stamp(BY, new Operand.OfReferred(way))));
        Standpoint cooked = MIRA.referring(Map.of(way, Value.of("ingrid@example.org")));
        assertThat(form.waysOfStamps()).containsExactly(way);
        Map<FieldKey, Value> stew = Map.of(LUNCH, Value.of(true), DISH, Value.of("stew"), BY, Value.of("forged@example.org"));
        assertThat(form.row(TABLE, stew, cooked)).containsEntry(BY, Value.of("ingrid@example.org"));
        // an answer to what is not asked leads nowhere
        assertThat(form.begun(TABLE, Map.of(DISH, Value.of("stew")), MIRA)).doesNotContainKey(DISH);
        assertThat(form.row(TABLE, stew, MIRA)).doesNotContainKey(BY);
        assertThat(new Operand.OfReferred(way).resolve(MIRA)).isEmpty();
    }

    @Test
    void whatTheTableNeedsAndNobodyGivesIsSaid() {
        assertThat(FORM.missing(TABLE)).isEmpty();
        assertThat(FORM.asking(List.of(Question.of(LUNCH))).missing(TABLE)).extracting(Field::key).containsExactly(NAME);
    }

    @Test
    void aTableThatLostFieldsStillHasAForm() {
        Table smaller = TABLE.with(new Fields(List.of(TABLE.field(NAME), TABLE.field(DISH))));
        Form left = FORM.within(Bounds.each(1, LUNCH)).of(Tables.alone(smaller), smaller);
        assertThat(left.questions()).extracting(Question::field).containsExactly(NAME, DISH);
        assertThat(left.stamps()).isEmpty();
        assertThat(left.bounds().alike()).isNull();
        // what it hung on is gone: it is asked always
        assertThat(left.asked(Map.of(), MIRA)).hasSize(2);
    }

    @Test
    void fieldsOfOwnersAndOfApprovalAreNeverAsked() {
        Table owned = TABLE.ownedBy(BY).approvedBy(LUNCH);
        assertThat(Form.suggested(new FormKey("all"), owned, "All").questions()).extracting(Question::field)
                .doesNotContain(BY, LUNCH).contains(NAME, DISH);
        assertThat(Form.plain(new FormKey("x"), owned.key(), "X").asking(List.of(Question.of(BY))).of(Tables.alone(owned), owned)
                .questions()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"2026-11-01, 0, 0, form.not-yet", "2026-11-30, 0, 0, ", "2026-12-01, 0, 0, form.over",
        "2026-11-15, 5, 0, form.full", "2026-11-15, 4, 2, form.often-enough", "2026-11-15, 4, 1, "})
    void itCanBeSentWithinItsBounds(LocalDate day, long sent, long byThem, String problem) {
        Bounds bounds = new Bounds(LocalDate.of(2026, 11, 10), LocalDate.of(2026, 11, 30), 5, 2, null, null);
        assertThat(bounds.against(day, sent, byThem).map(Problem::code)).isEqualTo(Optional.ofNullable(problem));
    }

    @Test
    void itCannotCloseBeforeItOpens() {
        assertThatThrownBy(() -> new Bounds(LocalDate.of(2026, 12, 1), LocalDate.of(2026, 11, 1), null, null, null, null))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void lettersHaveAnswersInPlaceOfNames() {
        String filled = Notice.filled("Dear ‹Name›, ‹Dish› on ‹Saturday› $1 \\", TABLE, field -> "<" + field.key() + "> $0");
        assertThat(filled).isEqualTo("Dear <name> $0, <dish> $0 on ‹Saturday› $1 \\");
        assertThat(Notice.unknown("‹Name› ‹Saturday› ‹Saturday›", TABLE)).containsExactly("Saturday");
    }
}
