package org.pressboard.editing;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.bulk.Carrying;
import org.pressboard.bulk.CsvOut;
import org.pressboard.condition.Cases;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operator;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.form.Form;
import org.pressboard.form.FormKey;
import org.pressboard.form.Question;
import org.pressboard.grant.Audience;
import org.pressboard.grant.Grant;
import org.pressboard.grant.Grants;
import org.pressboard.grant.Sight;
import org.pressboard.grant.Verb;
import org.pressboard.grant.Visitor;
import org.pressboard.history.Author;
import org.pressboard.listing.RowQuery;
import org.pressboard.listing.SortBy;
import org.pressboard.rows.Rows;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Computed;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.undo.Undo;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.RowId;
import org.pressboard.value.SpreadsheetCells;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** What is noted of rows by itself is shown in listings like any field: who sent them, when, from which form and page. */
class NotedTest extends StoreTest {

    private static final TableKey LETTERS = new TableKey("letters");
    private static final FieldKey NAME = new FieldKey("name");

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private FormSending sending;

    @Autowired
    private Undo undo;

    @Autowired
    private Rows rows;

    @Autowired
    private CsvOut csv;

    private static FieldKey key(Computed.Note note) {
        return new FieldKey("noted_" + note.name().toLowerCase(java.util.Locale.ROOT));
    }

    @BeforeEach
    void makeTheTable() {
        if (catalog.table(LETTERS).isPresent()) {
            publisher.remove(LETTERS);
        }
        Table letters = changes.make("Letters", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()))), OWNER);
        Arrays.stream(Computed.Note.values()).forEach(note -> changes.addField(LETTERS, Field.computed(key(note), note.name(),
                new Computed.Noted(note)), OWNER));
        publisher.grant(LETTERS, new Grants(List.of(Grant.everyoneSeesAll(), new Grant(Audience.EVERYONE, Verb.ADD,
                Condition.ALWAYS))));
        Form form = Form.plain(new FormKey("write"), letters.key(), "Write").asking(List.of(Question.of(NAME)));
        for (String sender : List.of("mira@example.org", "browser:one")) {
            sending.send(Visitor.ANYONE, sender, new Page(new PageKey("letters"), "Letters", List.of()), form, Map.of(NAME, Value.of("From " + sender)),
                    new Author(null, "Mira", Author.Origin.PAGE));
        }
        editing.add(LETTERS, Map.of(NAME, Value.of("At the desk")), OWNER);
    }

    private RowQuery asked(Condition sought, SortBy... order) {
        Sight sight = catalog.published().sight(Visitor.ANYONE, LETTERS);
        return new RowQuery(sight, Visitor.ANYONE, Visitor.ANYONE.at(Cases.midnight()), Condition.ALWAYS, sought, List.of(order), 1,
                25, catalog.table(LETTERS).orElseThrow().fields().stream().map(Field::key).toList());
    }

    private List<Row> shown(Condition sought, SortBy... order) {
        return rows.page(asked(sought, order), ENGLISH).rows();
    }

    @Test
    void whoSentItWhenAndThroughWhichFormIsShown() {
        List<Row> all = shown(Condition.ALWAYS);
        Row sent = all.getFirst();
        assertThat(sent.find(key(Computed.Note.SENDER))).contains(Value.of("mira@example.org"));
        assertThat(sent.find(key(Computed.Note.FORM))).contains(Value.of("letters/write"));
        assertThat(sent.find(key(Computed.Note.ADDED_BY))).contains(Value.of("Mira"));
        assertThat(sent.find(key(Computed.Note.ADDED))).hasValueSatisfying(value -> assertThat(((Value.Moment) value).at())
                .isBetween(LocalDateTime.now().minusMinutes(2), LocalDateTime.now()));
        // a browser's name is nobody's business
        assertThat(all.get(1).find(key(Computed.Note.SENDER))).isEmpty();
        assertThat(all.get(2).find(key(Computed.Note.FORM))).isEmpty();
    }

    @Test
    void whatIsPutBackIsStillWhoeversItWas() {
        List<Row> before = shown(Condition.ALWAYS);
        List<RowId> both = List.of(before.get(0).id(), before.get(1).id());
        long act = editing.remove(LETTERS, both, OWNER);
        undo.undo(LETTERS, act, OWNER);
        assertThat(shown(Condition.ALWAYS)).isEqualTo(before);
        act = editing.remove(LETTERS, both, OWNER);
        undo.putBackRow(LETTERS, act, both.getFirst(), OWNER);
        Row back = shown(Condition.ALWAYS).getFirst();
        assertThat(back.find(key(Computed.Note.SENDER))).contains(Value.of("mira@example.org"));
        assertThat(back.find(key(Computed.Note.FORM))).contains(Value.of("letters/write"));
    }

    @Test
    void itIsSearchedNarrowedSortedAndCarriedAway() throws IOException {
        assertThat(shown(new Condition.Mentions(List.of(key(Computed.Note.SENDER)), "MIRA@"))).hasSize(1);
        assertThat(shown(Condition.compare(key(Computed.Note.FORM), Operator.EQUALS, Value.of("letters/write")))).hasSize(2);
        assertThat(shown(Condition.ALWAYS, SortBy.up(key(Computed.Note.ADDED_BY)), SortBy.up(NAME)).stream()
                .map(row -> row.find(NAME).orElseThrow())).first().isEqualTo(Value.of("From browser:one"));
        assertThat(shown(Condition.ALWAYS, SortBy.down(key(Computed.Note.CHANGED)))).hasSize(3);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var spool = csv.read(asked(Condition.ALWAYS), ENGLISH, SpreadsheetCells.HARMLESS, Carrying.UNWATCHED)) {
            spool.copyTo(out);
        }
        assertThat(out.toString(StandardCharsets.UTF_8)).contains("mira@example.org,letters/write").doesNotContain(",browser:");
    }
}
