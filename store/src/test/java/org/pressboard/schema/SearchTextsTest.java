package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.editing.RowEditing;
import org.pressboard.history.Author;
import org.pressboard.table.Chosen;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** What is searched of a row follows every change of the row and of its table. */
class SearchTextsTest extends StoreTest {

    private static final FieldKey NAME = new FieldKey("name");
    private static final FieldKey USES = new FieldKey("uses");
    private static final FieldKey WEEKS = new FieldKey("weeks");

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @Autowired
    private Bin bin;

    private TableKey sought;
    private RowId row;

    @BeforeEach
    void aRow() {
        Table table = changes.make("Sought", new Fields(List.of(new Field(NAME, "Name", new Textual.Text()),
                new Field(USES, "Uses", Chosen.Choices.of(List.of("Eating", "Straße"))), new Field(WEEKS, "Weeks",
                        new Numeric.WholeNumber(true)))), OWNER);
        sought = table.key();
        row = editing.add(sought, Map.of(NAME, Value.of("Árpád"), USES,
                new Value.Several(List.of(Value.of("Eating"), Value.of("Straße"))), WEEKS, Value.of(12)), OWNER).row();
    }

    private void set(String what) {
        inTransaction(() -> sql.execute("update hosted.{0} set " + what, DSL.name(sought.name())));
    }

    private String searched() {
        return sql.fetchSingle("select search_text from hosted.{0} where row_id = {1}", DSL.name(sought.name()),
                DSL.val(row)).get(0, String.class);
    }

    @Test
    void itFollowsTheRow() {
        assertThat(searched()).isEqualTo("arpad\neating\nstrasse");
        set("name = 'Zoë'");
        assertThat(searched()).isEqualTo("zoe\neating\nstrasse");
    }

    @Test
    void itFollowsTheTable() {
        changes.addField(sought, new Field(new FieldKey("note"), "Note", new Textual.Text()), OWNER);
        assertThat(searched()).isEqualTo("arpad\neating\nstrasse");
        set("note = 'À la carte'");
        assertThat(searched()).isEqualTo("arpad\na la carte\neating\nstrasse");
        changes.removeField(sought, NAME, OWNER);
        assertThat(searched()).isEqualTo("a la carte\neating\nstrasse");
        changes.putBackField(sought, bin.fields(sought).getFirst().id(), OWNER);
        assertThat(searched()).isEqualTo("arpad\na la carte\neating\nstrasse");
        changes.retype(sought, WEEKS, new Textual.Text(), OWNER);
        assertThat(searched()).isEqualTo("arpad\n12\na la carte\neating\nstrasse");
    }

    @Test
    void itIsNotRememberedBesideTheRow() {
        set("name = 'Zoë'");
        editing.remove(sought, List.of(row), new Author(null, "x", Author.Origin.DESK));
        assertThat(sql.fetch("select before::text || coalesce(after::text, '') from pressboard.history "
                + "where table_key = {0} and before is not null", DSL.val(sought.name())).getValues(0).toString())
                .contains("Zoë").doesNotContain("search_text");
    }
}
