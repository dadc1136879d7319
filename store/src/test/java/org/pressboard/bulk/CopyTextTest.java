package org.pressboard.bulk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.pressboard.condition.Cases;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Fields;
import org.pressboard.table.Table;
import org.pressboard.table.TableKey;
import org.pressboard.table.Textual;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.Row;
import org.pressboard.value.Value;

class CopyTextTest extends StoreTest {

    @Test
    void specialSignsAreEscapedAsCopyWantsThem() {
        Fields fields = new Fields(List.of(new Field(new FieldKey("a"), "A", new Textual.Text()),
                new Field(new FieldKey("b"), "B", new Textual.Text()),
                new Field(new FieldKey("c"), "C", new FieldType.YesNo())));
        CopyText text = new CopyText(new Table(new TableKey("t"), "T", fields));
        text.row(Arrays.asList(Value.of("a\tb\\n\r\nü\t🍏"), null, Value.of(true)));
        assertThat(new String(text.bytes(), 0, text.length(), StandardCharsets.UTF_8))
                .isEqualTo("a\\tb\\\\n\\r\\nü\\t🍏\t\\N\tyes\ta\\tb\\\\n\\r\\nu\\t🍏\n");
    }

    @Test
    void everyValueComesBackAsItWentIn() {
        List<Row> rows = Cases.rows(java.util.random.RandomGenerator.of("L64X128MixRandom"), 200);
        Table table = tableWith(rows);
        assertThat(inTransaction(() -> sql.fetchCount(org.jooq.impl.DSL.table(name("hosted", table.key().name())))))
                .isEqualTo(200);
        String kept = sql.fetch("select name from hosted." + table.key() + " order by row_id").formatCSV();
        String sent = sql.fetch("select * from (values {0}) v (name)", org.jooq.impl.DSL.list(rows.stream()
                .map(row -> org.jooq.impl.DSL.row(org.jooq.impl.DSL.val(row.get(Cases.NAME) instanceof Value.Text(var t)
                        ? t : null, String.class))).toList())).formatCSV();
        assertThat(kept).isEqualTo(sent);
    }
}
