package org.pressboard.desk.table;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.pressboard.history.Act;
import org.pressboard.history.Entry;
import org.pressboard.rows.RowPicker;
import org.pressboard.value.RowId;
import org.pressboard.words.Moments;
import org.pressboard.words.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.Value;

/** What became of rows, in words. */
final class HistoryWords {

    private final Words desk;
    private final Words site;
    private final RowPicker picker;
    private final Tables tables;
    private final Table table;

    HistoryWords(Words desk, Words site, RowPicker picker, Tables tables, Table table) {
        this.desk = desk;
        this.site = site;
        this.picker = picker;
        this.tables = tables;
        this.table = table;
    }

    /** One thing that became of a row. */
    public record Line(long entry, long act, RowId row, String when, String who, String what, boolean added,
                       List<Change> changes) {
    }

    /** What a field had before, and what it had then. */
    public record Change(String label, String before, String after) {
    }

    List<Line> of(List<Entry> entries) {
        return entries.stream().map(this::line).toList();
    }

    private Line line(Entry entry) {
        return new Line(entry.id(), entry.act().id(), entry.rowId(), Moments.written(entry.act().at()), who(entry.act()),
                desk.say("history." + entry.verb()), entry.verb() == Entry.Verb.ADDED, changes(entry));
    }

    String who(Act act) {
        return act.who() + desk.say("history.from." + act.origin());
    }

    private List<Change> changes(Entry entry) {
        List<Change> changes = new ArrayList<>();
        for (Field field : table.entered()) {
            if (entry.before().containsKey(field.key())) {
                Optional<Value> before = entry.before().get(field.key());
                Optional<Value> after = entry.after().getOrDefault(field.key(), Optional.empty());
                if (before.isPresent() || after.isPresent()) {
                    changes.add(new Change(field.label(), written(field, before), written(field, after)));
                }
            }
        }
        return changes;
    }

    private String written(Field field, Optional<Value> value) {
        return value.map(is -> is.each().getFirst() instanceof Value.Referred && field.type() instanceof Referring
                ? is.each().stream().map(each -> picker.heading(tables, tables.target(field),
                        ((Value.Referred) each).row())).collect(Collectors.joining(", "))
                : isOfKind(field, is) ? site.written(field, is) : String.valueOf(plain(is))).orElse("–");
    }

    private static String plain(Value value) {
        return org.pressboard.value.PlainForm.write(value);
    }

    /** What is from before the field was of another kind is no value of it. */
    private static boolean isOfKind(Field field, Value value) {
        return !(value instanceof Value.Text) || field.type().isText() || field.type() instanceof
                org.pressboard.table.Attached;
    }
}
