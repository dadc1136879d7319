package org.pressboard.desk.condition;

import java.util.List;
import java.util.stream.Collectors;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Phrase;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.rows.RowPicker;
import org.pressboard.words.Words;
import org.pressboard.table.Field;
import org.pressboard.table.Operands;
import org.pressboard.table.Table;
import org.pressboard.table.Tables;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/** Says a condition on the rows of a table as a sentence. */
public final class ConditionWords {

    private final Words desk;
    private final Words site;
    private final RowPicker picker;
    private final Tables tables;
    private final Table table;

    public ConditionWords(Words desk, Words site, RowPicker picker, Tables tables, Table table) {
        this.desk = desk;
        this.site = site;
        this.picker = picker;
        this.tables = tables;
        this.table = table;
    }

    /** Such as {@code Health is Good or Thriving, and Planted in the last 30 days}; nothing where all rows are meant. */
    public String of(Condition condition) {
        return inner(Phrase.read(condition));
    }

    private String inner(Phrase.Group group) {
        String said = group.phrases().stream().map(this::phrase)
                .collect(Collectors.joining(desk.say("phrase." + (group.mode() == Phrase.Mode.ALL ? "and" : "or"))));
        return group.mode() == Phrase.Mode.NONE && !said.isEmpty() ? desk.say("phrase.none", said) : said;
    }

    private String phrase(Phrase phrase) {
        return switch (phrase) {
            case Phrase.Statement(Clause clause) -> clause(clause);
            case Phrase.Group group when group.mode() == Phrase.Mode.NONE -> inner(group);
            case Phrase.Group group -> desk.say("phrase.group", inner(group));
            case Phrase.Other other -> desk.say("phrase.other");
        };
    }

    private String clause(Clause clause) {
        Field field = table.fields().find(clause.field()).orElse(null);
        if (field == null) {
            return desk.say("phrase.gone", clause.field().name());
        }
        List<String> values = clause.operands().stream().map(operand -> choices().said(operand, value -> value(field, clause.is(), value)))
                .toList();
        String all = clause.is() == Comparison.BETWEEN ? String.join(desk.say("phrase.to"), values)
                : String.join(desk.say("phrase.or"), values);
        return desk.comparing("clause.", field, clause.is(), field.label(), all);
    }

    private OperandChoices choices() {
        return new OperandChoices(new Operands(tables, table, Operands.Use.KEEP), desk);
    }

    public String value(Field field, Comparison is, Value value) {
        if (is.isOfCount()) {
            return PlainForm.write(value);
        }
        if (value instanceof Value.Referred(var row, String heading)) {
            return picker.heading(tables, tables.target(field), row);
        }
        // of a row referred to, or of letters in a text, there may be no more than a text
        return value instanceof Value.Text(String text) ? text : site.written(field, value);
    }
}
