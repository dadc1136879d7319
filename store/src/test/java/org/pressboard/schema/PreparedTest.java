package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.pressboard.editing.RowEditing;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Numeric;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

/** Connections prepare what is asked often; of columns as they were that is good no more. */
class PreparedTest extends StoreTest {

    private static final TableKey CRATES = new TableKey("crates_prepared");
    private static final FieldKey SIZE = new FieldKey("size");

    /** The driver prepares on the server what it is asked for the fifth time. */
    private static final int OFTEN = 12;

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    @AfterEach
    void removeTable() {
        publisher.remove(CRATES);
    }

    @Test
    void whatWasAskedOftenIsAskedOfOtherColumnsToo() {
        changes.make("Crates prepared", new Fields(List.of(new Field(SIZE, "Size", new Textual.Text()))), OWNER);
        long row = editing.add(CRATES, Map.of(SIZE, Value.of("3")), OWNER).row();
        for (FieldType type : List.of(new Numeric.WholeNumber(false), new Numeric.Decimal(1), new Textual.Text())) {
            for (int i = 0; i < OFTEN; i++) {
                assertThat(editing.find(CRATES, row).orElseThrow().find(SIZE)).isPresent();
            }
            changes.retype(CRATES, SIZE, type, OWNER);
        }
        assertThat(editing.find(CRATES, row).orElseThrow().find(SIZE)).hasValueSatisfying(text ->
                assertThat(((Value.Text) text).text()).startsWith("3"));
    }
}
