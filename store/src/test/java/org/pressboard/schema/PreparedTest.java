package org.pressboard.schema;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.pressboard.editing.RowEditing;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
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

    /** Asks on a connection of its own: the driver sees by itself to the one that columns are changed on. */
    private final ExecutorService another = Executors.newSingleThreadExecutor();

    @BeforeEach
    void haveTwoConnections() {
        inTransaction(() -> {
            catalog.table(CRATES);
            another(() -> catalog.table(CRATES));
        });
    }

    @AfterEach
    void removeTable() {
        another.shutdown();
        catalog.table(CRATES).map(Table::key).ifPresent(publisher::remove);
    }

    @Test
    void whatWasAskedOftenIsAskedOfOtherColumnsToo() {
        changes.make("Crates prepared", new Fields(List.of(new Field(SIZE, "Size", new Textual.Text()))), OWNER);
        RowId row = editing.add(CRATES, Map.of(SIZE, Value.of("3")), OWNER).row();
        for (FieldType type : List.of(new Numeric.WholeNumber(false), new Numeric.Decimal(1), new Textual.Text())) {
            assertThat(askedOften(row)).isPresent();
            changes.retype(CRATES, SIZE, type, OWNER);
        }
        assertThat(askedOften(row)).hasValueSatisfying(text -> assertThat(((Value.Text) text).text()).startsWith("3"));
    }

    @Test
    void whatIsCalledAsSomethingElseWasIsAskedAnew() {
        for (FieldType type : List.of(new Textual.Text(), new Numeric.WholeNumber(false))) {
            changes.make("Crates prepared", new Fields(List.of(new Field(SIZE, "Size", type))), OWNER);
            assertAskedOften(type);
            changes.addField(CRATES, new Field(new FieldKey("name"), "Name", new Textual.Text()), OWNER);
            changes.removeField(CRATES, SIZE, OWNER);
            FieldType other = type instanceof Numeric ? new Textual.Text() : new Numeric.WholeNumber(false);
            changes.addField(CRATES, new Field(SIZE, "Size", other), OWNER);
            assertAskedOften(other);
            publisher.remove(CRATES);
        }
    }

    private void assertAskedOften(FieldType type) {
        Value value = type instanceof Numeric ? Value.of(3) : Value.of("three");
        assertThat(askedOften(editing.add(CRATES, Map.of(SIZE, value), OWNER).row())).contains(value);
    }

    private Optional<Value> askedOften(RowId row) {
        for (int i = 1; i < OFTEN; i++) {
            another(() -> editing.find(CRATES, row));
        }
        return another(() -> editing.find(CRATES, row)).orElseThrow().find(SIZE);
    }

    private <T> T another(Supplier<T> asking) {
        return CompletableFuture.supplyAsync(asking, another).join();
    }
}
