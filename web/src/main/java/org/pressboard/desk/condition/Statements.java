package org.pressboard.desk.condition;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Phrase;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Comparisons;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.value.PlainForm;

/**
 * Which rows are meant, as the desk lets it be changed: the statements and groups from top to bottom, each with how deep
 * it is and where it stands.
 */
public record Statements(Phrase.Mode mode, List<Line> lines, List<FieldGroup> fields) {

    /** Fields that can be asked about: the table's own, or those that one of its references leads to. */
    public record FieldGroup(String label, List<Field> fields) {
    }

    /**
     * A statement or the head of a group.
     *
     * @param at   its place, as the address of a change has it: {@code 1.0}
     * @param mode of a group, how its phrases are meant; {@code null}: it is none
     * @param said of what no statement stands for, what it is; else empty
     */
    public record Line(String at, int depth, Phrase.@Nullable Mode mode, @Nullable Statement statement, String said) {
    }

    /** A statement that can be changed: the field, how it is compared, and with what. */
    public record Statement(Field field, Comparison is, List<Comparison> offered, List<Input> inputs) {
    }

    /**
     * With what a field is compared.
     *
     * @param kind    {@code select}, or the type of an input
     * @param options what can be chosen
     * @param rows    the table whose rows can be picked; empty: none
     * @param called  what the rows picked are called
     */
    public record Input(String kind, List<String> values, List<Option> options, String rows, List<Option> called) {
    }

    /** A value and what people read. */
    public record Option(String value, String text) {
    }

    /** A statement that somebody has begun to change at a place, and that is not whole yet. */
    public record Begun(String at, Clause clause) {
    }

    public static Statements of(Condition condition, Table table, ConditionWords words, @Nullable Begun begun) {
        Phrase.Group all = Phrase.read(condition);
        List<Line> lines = new ArrayList<>();
        add(all, "", 0, table, words, lines);
        if (begun != null) {
            lines.replaceAll(line -> line.at().equals(begun.at) && line.statement() != null ? new Line(line.at(),
                    line.depth(), null, statement(table.field(begun.clause.field()), begun.clause, words), "") : line);
        }
        return new Statements(all.mode(), lines, fields(table));
    }

    /** Where the groups stand into which further statements can be put. */
    public static List<String> groups(Condition condition) {
        List<String> places = new ArrayList<>();
        groups(Phrase.read(condition), "", places);
        return places;
    }

    private static void groups(Phrase.Group group, String before, List<String> places) {
        for (int i = 0; i < group.phrases().size(); i++) {
            if (group.phrases().get(i) instanceof Phrase.Group inner) {
                places.add(before + i);
                groups(inner, before + i + ".", places);
            }
        }
    }

    /** Pictures are there or not; there is little else to be said of them. */
    static List<FieldGroup> fields(Table table) {
        Map<String, List<Field>> groups = new LinkedHashMap<>();
        table.fields().stream().filter(field -> !(field.type() instanceof Attached)).forEach(field ->
                groups.computeIfAbsent(field.key().isThrough() ? field.label().replaceFirst(": [^:]*$", "") : table.label(),
                        label -> new ArrayList<>()).add(field));
        return groups.entrySet().stream().map(group -> new FieldGroup(group.getKey(), group.getValue())).toList();
    }

    private static void add(Phrase.Group group, String before, int depth, Table table, ConditionWords words,
            List<Line> lines) {
        for (int i = 0; i < group.phrases().size(); i++) {
            String at = before + i;
            switch (group.phrases().get(i)) {
                case Phrase.Group inner -> {
                    lines.add(new Line(at, depth, inner.mode(), null, ""));
                    add(inner, at + ".", depth + 1, table, words, lines);
                }
                case Phrase.Statement(Clause clause) -> lines.add(new Line(at, depth, null,
                        table.fields().has(clause.field()) ? statement(table.field(clause.field()), clause, words) : null,
                        words.of(clause.condition())));
                case Phrase.Other(Condition other) -> lines.add(new Line(at, depth, null, null, words.of(other)));
            }
        }
    }

    static Statement statement(Field field, Clause clause, ConditionWords words) {
        return new Statement(field, clause.is(), List.copyOf(Comparisons.offered(field, words.tables())), inputs(field, clause, words));
    }

    private static List<Input> inputs(Field field, Clause clause, ConditionWords words) {
        List<String> values = clause.values().stream().map(PlainForm::write).toList();
        if (clause.is() == Comparison.VISITORS) {
            return List.of(new Input("select", values, Comparisons.ofVisitor(field, words.tables()).stream()
                    .map(of -> new Option(of.key().name(), of.label())).toList(), "", List.of()));
        }
        if (clause.is().isOfSeveral() || (clause.is().operands() == 1 && field.type() instanceof Referring)) {
            return List.of(several(field, clause, values, words));
        }
        List<Input> inputs = new ArrayList<>();
        for (int i = 0; i < clause.is().operands(); i++) {
            String value = i < values.size() ? values.get(i) : "";
            inputs.add(new Input(kind(field.type(), clause.is()), List.of(value), options(field.type()), "", List.of()));
        }
        return inputs;
    }

    private static Input several(Field field, Clause clause, List<String> values, ConditionWords words) {
        boolean leads = field.type() instanceof Referring;
        List<Option> called = leads ? clause.values().stream().map(value -> new Option(PlainForm.write(value),
                words.value(field, clause.is(), value))).toList() : List.of();
        return new Input(leads ? "rows" : "several", values, options(field.type()),
                field.type() instanceof Referring referring ? referring.to().name() : "", called);
    }

    private static List<Option> options(FieldType type) {
        return switch (type) {
            case Chosen chosen -> chosen.options().stream().map(each -> new Option(each.text(), each.text())).toList();
            case FieldType.YesNo yesNo -> List.of(new Option("yes", "yes"), new Option("no", "no"));
            default -> List.of();
        };
    }

    private static String kind(FieldType type, Comparison is) {
        if (is.isOfCount()) {
            return "number";
        }
        if (!options(type).isEmpty() && (is == Comparison.IS || is == Comparison.IS_NOT)) {
            return "select";
        }
        return switch (type) {
            case Numeric numeric -> "decimal";
            case Temporal.Date date -> "date";
            case Temporal.DateTime moment -> "datetime-local";
            case Temporal.TimeOfDay time -> "time";
            default -> "text";
        };
    }

    public boolean isAll() {
        return lines.isEmpty();
    }
}
