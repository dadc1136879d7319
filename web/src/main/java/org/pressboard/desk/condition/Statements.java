package org.pressboard.desk.condition;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.pressboard.condition.Clause;
import org.pressboard.condition.Comparison;
import org.pressboard.condition.Condition;
import org.pressboard.condition.Operand;
import org.pressboard.condition.Phrase;
import org.pressboard.desk.operand.OperandChoices;
import org.pressboard.table.Attached;
import org.pressboard.table.Chosen;
import org.pressboard.table.Comparisons;
import org.pressboard.table.Field;
import org.pressboard.table.FieldType;
import org.pressboard.table.Numeric;
import org.pressboard.table.Referring;
import org.pressboard.table.Table;
import org.pressboard.table.Temporal;
import org.pressboard.table.Textual;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;

/**
 * Which rows are meant, as the desk lets it be changed: the statements and groups from top to bottom, each with how deep
 * it is and where it stands.
 */
public record Statements(Phrase.Mode mode, List<Line> lines, List<FieldGroup> fields) {

    private static final Operand NOTHING = new Operand.Fixed(Value.of(""));

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
     * @param others  what it can be besides a value; none: there is nothing but to type or choose one
     * @param kind    {@code select}, {@code hidden} where there is nothing to type, or the type of an input
     * @param options what can be chosen
     * @param rows    the table whose rows can be picked; empty: none
     * @param called  what the rows picked are called
     */
    public record Input(List<OperandChoices.Item> others, String kind, List<String> values, List<Item> options, String rows, List<Item> called) {
    }

    /** A value and what people read. */
    public record Item(String value, String text) {
    }

    /** A statement that somebody has begun to change at a place, and that is not whole yet. */
    public record Begun(String at, Clause clause) {
    }

    public static Statements of(Condition condition, OperandChoices choices, ConditionWords words, @Nullable Begun begun) {
        Table table = choices.operands().table();
        Phrase.Group all = Phrase.read(condition);
        List<Line> lines = new ArrayList<>();
        add(all, "", 0, choices, words, lines);
        if (begun != null) {
            lines.replaceAll(line -> line.at().equals(begun.at) && line.statement() != null ? new Line(line.at(),
                    line.depth(), null, statement(table.field(begun.clause.field()), begun.clause, choices, words), "") : line);
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

    private static void add(Phrase.Group group, String before, int depth, OperandChoices choices, ConditionWords words,
            List<Line> lines) {
        Table table = choices.operands().table();
        for (int i = 0; i < group.phrases().size(); i++) {
            String at = before + i;
            switch (group.phrases().get(i)) {
                case Phrase.Group inner -> {
                    lines.add(new Line(at, depth, inner.mode(), null, ""));
                    add(inner, at + ".", depth + 1, choices, words, lines);
                }
                case Phrase.Statement(Clause clause) -> lines.add(new Line(at, depth, null,
                        table.fields().has(clause.field()) ? statement(table.field(clause.field()), clause, choices, words) : null,
                        words.of(clause.condition())));
                case Phrase.Other(Condition other) -> lines.add(new Line(at, depth, null, null, words.of(other)));
            }
        }
    }

    static Statement statement(Field field, Clause clause, OperandChoices choices, ConditionWords words) {
        return new Statement(field, clause.is(), List.copyOf(Comparisons.offered(field)), inputs(field, clause, choices, words));
    }

    private static List<Input> inputs(Field field, Clause clause, OperandChoices choices, ConditionWords words) {
        boolean leads = field.type() instanceof Referring && clause.is().operands() == 1;
        if (clause.is().isOfSeveral() || (leads && OperandChoices.isFixed(first(clause)))) {
            return List.of(several(field, clause, choices, words));
        }
        List<Input> inputs = new ArrayList<>();
        for (int i = 0; i < clause.is().operands(); i++) {
            inputs.add(input(field, clause.is(), i < clause.operands().size() ? clause.operands().get(i) : NOTHING, choices, words));
        }
        return inputs;
    }

    private static Operand first(Clause clause) {
        return clause.operands().isEmpty() ? NOTHING : clause.operands().getFirst();
    }

    private static Input input(Field field, Comparison is, Operand operand, OperandChoices choices,
            ConditionWords words) {
        String kind = OperandChoices.isFixed(operand) ? kind(field.type(), is) : OperandChoices.isTyped(operand) ? "number" : "hidden";
        return new Input(choices.comparing(field, is, operand), kind, List.of(OperandChoices.typed(operand)), options(field, words), "",
                List.of());
    }

    private static Input several(Field field, Clause clause, OperandChoices choices, ConditionWords words) {
        boolean leads = field.type() instanceof Referring;
        List<Item> called = leads ? clause.values().stream().map(value -> new Item(PlainForm.write(value),
                words.value(field, clause.is(), value))).filter(option -> !option.value().isEmpty()).toList() : List.of();
        return new Input(choices.comparing(field, clause.is(), first(clause)), leads ? "rows" : "several",
                clause.values().stream().map(PlainForm::write).toList(), options(field, words),
                field.type() instanceof Referring referring ? referring.to().name() : "", called);
    }

    private static List<Item> options(Field field, ConditionWords words) {
        return switch (field.type()) {
            case Chosen chosen -> chosen.options().stream().map(each -> new Item(each.text(), each.text())).toList();
            case FieldType.YesNo yesNo -> Stream.of(true, false).map(Value::of).map(each -> new Item(PlainForm.write(each),
                    words.value(field, Comparison.IS, each))).toList();
            case Textual textual -> List.of();
            case Numeric numeric -> List.of();
            case Temporal temporal -> List.of();
            case Referring referring -> List.of();
            case Attached attached -> List.of();
        };
    }

    private static String kind(FieldType type, Comparison is) {
        if (is.isOfCount()) {
            return "number";
        }
        if ((type instanceof Chosen || type instanceof FieldType.YesNo) && (is == Comparison.IS || is == Comparison.IS_NOT)) {
            return "select";
        }
        return switch (type) {
            case Numeric numeric -> "decimal";
            case Temporal.Date date -> "date";
            case Temporal.DateTime moment -> "datetime-local";
            case Temporal.TimeOfDay time -> "time";
            case Textual textual -> "text";
            case FieldType.YesNo yesNo -> "text";
            case Chosen chosen -> "text";
            case Referring referring -> "text";
            case Attached attached -> "text";
        };
    }

    public boolean isAll() {
        return lines.isEmpty();
    }
}
