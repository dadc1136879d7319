package org.pressboard.history;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Table;
import org.pressboard.value.FieldKey;
import org.pressboard.value.PlainForm;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What became of rows, read back. Values of fields that the table has no more are left out. */
@Component
public class RowHistory {

    private static final JsonMapper JSON = new JsonMapper();
    private static final String SELECT = "select h.id, h.act_id, h.verb, h.row_id, h.before, h.after "
            + "from pressboard.history h";

    private final DSLContext sql;
    private final Acts acts;

    RowHistory(DSLContext sql, Acts acts) {
        this.sql = sql;
        this.acts = acts;
    }

    /** What became of one row, the last first. */
    public List<Entry> ofRow(Table table, RowId row, int most) {
        return read(table, row, "{0} where h.table_key = {1} and (h.row_id = {2} or (h.rows is not null "
                + "and h.rows @> {2}::bigint)) order by h.id desc limit {3}", DSL.val(row.number()), most);
    }

    /** What an act did to the rows of a table, those that it changed or removed before those it added. */
    public List<Entry> ofAct(Table table, long act, int most) {
        return read(table, null, "{0} where h.table_key = {1} and h.act_id = {2} and h.row_id is not null "
                + "order by h.id limit {3}", DSL.val(act), most);
    }

    /** Puts down, under an act, that a value of a row was left out; what the triggers see of it is only that another came. */
    public void putDown(Table table, Field field, long act, RowId row, Value value) {
        sql.execute("insert into pressboard.history (act_id, table_key, verb, row_id, before, after) values "
                        + "({0}, {1}, 'CHANGED', {2}, jsonb_build_object({3}::text, {4}::text), "
                        + "jsonb_build_object({3}::text, null))",
                DSL.val(act), DSL.val(table.key().name()), DSL.val(row.number()), DSL.val(field.key().name()),
                DSL.val(PlainForm.write(value)));
    }

    private List<Entry> read(Table table, @Nullable RowId row, String query, org.jooq.Field<?> which, int most) {
        Map<Long, Act> known = new HashMap<>();
        List<Entry> entries = new ArrayList<>();
        for (Record found : sql.fetch(query, DSL.sql(SELECT), DSL.val(table.key().name()), which, DSL.val(most))) {
            Act act = known.computeIfAbsent(found.get("act_id", Long.class),
                    id -> acts.find(table.key(), id).orElseThrow());
            RowId rowId = row == null ? new RowId(found.get("row_id", Long.class)) : row;
            entries.add(new Entry(found.get("id", Long.class), act, Entry.Verb.valueOf(found.get("verb", String.class)),
                    rowId, values(table, found.get("before", JSONB.class)),
                    values(table, found.get("after", JSONB.class))));
        }
        return entries;
    }

    private static Map<FieldKey, Optional<Value>> values(Table table, @Nullable JSONB json) {
        Map<FieldKey, Optional<Value>> values = new HashMap<>();
        if (json != null) {
            JsonNode row = JSON.readTree(json.data());
            for (Field field : table.entered()) {
                JsonNode value = row.get(field.key().name());
                if (value != null) {
                    values.put(field.key(), value(field.type(), value));
                }
            }
        }
        return values;
    }

    /** As the kind of the field is now; what is none of it, such as from before another kind, as its text. */
    private static Optional<Value> value(FieldType type, JsonNode node) {
        if (node.isNull()) {
            return Optional.empty();
        }
        if (node.isArray()) {
            List<String> each = node.valueStream().map(JsonNode::asString).toList();
            return type.read(String.join(PlainForm.BETWEEN, each)).or(() -> each.isEmpty() ? Optional.empty()
                    : Optional.of(new Value.Several(each.stream().<Value>map(Value::of).toList())));
        }
        String text = node.isBoolean() ? (node.asBoolean() ? "yes" : "no") : node.asString();
        return type.read(text).or(() -> Optional.of(Value.of(text)));
    }
}
